import { TextField } from "@mui/material";
import { useState } from "react";

/** NumberField keeps what is typed, and hands on every number it makes. */
export function NumberField({ label, value, onChange }: { label: string; value: number | undefined; onChange: (value: number | undefined) => void }) {
  const [typed, setTyped] = useState<string | null>(null);
  const shown = typed ?? (value === undefined || value === 0 ? "" : String(value));
  const wrong = typed !== null && typed.trim() !== "" && Number.isNaN(read(typed));
  return (
    <TextField
      label={label}
      value={shown}
      error={wrong}
      helperText={wrong ? "Type a number like 4.2." : undefined}
      onChange={(e) => {
        setTyped(e.target.value);
        const number = read(e.target.value);
        if (e.target.value.trim() === "") onChange(undefined);
        else if (!Number.isNaN(number)) onChange(number);
      }}
      onBlur={() => !wrong && setTyped(null)}
      slotProps={{ htmlInput: { inputMode: "decimal", autoComplete: "off" } }}
    />
  );
}

const read = (text: string) => (text.trim() === "" ? Number.NaN : Number(text.trim().replace(",", ".")));
