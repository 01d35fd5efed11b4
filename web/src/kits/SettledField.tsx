import { TextField } from "@mui/material";
import { useState } from "react";

interface Props {
  label: string;
  value: string;
  most: number;
  number?: boolean;
  lines?: boolean;
  /** holder is shown where nothing is typed. */
  holder?: string;
  /** onValue says whether what was typed was taken. */
  onValue: (value: string) => Promise<boolean>;
}

/** SettledField hands on what was typed when it is left or Enter is pressed; what is refused stays in it. */
export function SettledField({ label, value, most, number, lines, holder, onValue }: Props) {
  const [typed, setTyped] = useState<string | null>(null);
  const [refused, setRefused] = useState(false);
  async function settle() {
    const taken = typed === null || typed.trim() === value || (await onValue(typed.trim()));
    setRefused(!taken);
    if (taken) setTyped(null);
  }
  return (
    <TextField
      size="small"
      label={label}
      value={typed ?? value}
      error={refused}
      multiline={lines}
      fullWidth={!number}
      maxRows={6}
      onChange={(e) => setTyped(e.target.value)}
      onBlur={() => void settle()}
      onKeyDown={(e) => e.key === "Enter" && !lines && void settle()}
      placeholder={holder}
      slotProps={{ inputLabel: holder ? { shrink: true } : undefined, htmlInput: { maxLength: most, ...(number && { inputMode: "numeric" }) } }}
      sx={number ? { width: 76 } : { my: 1 }}
    />
  );
}
