import { TextField } from "@mui/material";
import { useEffect, useRef, useState } from "react";
import { api, Offline, unwrap } from "../api/client.ts";
import { reading, useRed } from "./reads.ts";

interface Props {
  label: string;
  value: number | undefined;
  onChange: (value: number | undefined) => void;
}

/** NumberField keeps what is typed, and hands on every number it makes. */
export function NumberField(props: Props) {
  return <Field {...props} example="4.2" />;
}

/** SizeField is a NumberField for a size in mm, which reads it as people type it: 5/16 in, 0,8 cm, 4.2. */
export function SizeField({ label, ...props }: Props) {
  return <Field {...props} label={`${label}, mm`} example="4.2, 5/16 in or 0.4 cm" read={readSize} />;
}

async function readSize(text: string): Promise<number> {
  const { mm } = await unwrap(api.POST("/api/length", { body: { text, unit: "mm" } }));
  return mm;
}

/** Field hands plain numbers on at once, and what else is typed once it is read. */
function Field({ label, value, onChange, example, read }: Props & { example: string; read?: (text: string) => Promise<number> }) {
  const [typed, setTyped] = useState<string | null>(null);
  const [says, setSays] = useState<string | null>(null);
  const asked = useRef(0);
  useRed(says !== null);
  // What else changed while this was read is not undone by it.
  const latest = useRef(onChange);
  useEffect(() => {
    latest.current = onChange;
  });

  function take(number: number | undefined) {
    setSays(null);
    latest.current(number);
  }

  async function ask(text: string, number: number): Promise<boolean> {
    try {
      const mm = await read!(text);
      if (number === asked.current) take(mm);
      return true;
    } catch (err) {
      if (number === asked.current) setSays(err instanceof Offline ? "Server unavailable. Type it in mm." : (err as Error).message);
      return false;
    }
  }

  function type(text: string) {
    setTyped(text);
    const number = plain(text);
    asked.current++;
    if (text.trim() === "") take(undefined);
    else if (!Number.isNaN(number)) take(number);
    else if (read) reading(ask(text, asked.current));
    else setSays(`Type a number like ${example}.`);
  }

  return (
    <TextField
      label={label}
      value={typed ?? (value === undefined || value === 0 ? "" : String(value))}
      error={says !== null}
      helperText={says}
      onChange={(e) => type(e.target.value)}
      onBlur={() => says === null && setTyped((now) => (now !== null && Number.isNaN(plain(now)) && now.trim() !== "" ? now : null))}
      slotProps={{ htmlInput: { inputMode: read ? "text" : "decimal", autoComplete: "off", title: `Such as ${example}` } }}
    />
  );
}

const plain = (text: string) => (text.trim() === "" ? Number.NaN : Number(text.trim().replace(",", ".")));
