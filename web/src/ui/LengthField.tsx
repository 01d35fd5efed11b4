import { FormHelperText, InputBase } from "@mui/material";
import { useEffect, useId, useRef, useState, type KeyboardEvent } from "react";
import { api, Offline, unwrap } from "../api/client.ts";
import { formatLength } from "../units/length.ts";
import { reading, useRed } from "./reads.ts";
import { useUnit } from "./UnitContext.tsx";

interface Props {
  label: string;
  mm: number | null;
  /** Shown when there is no length. */
  placeholder?: string;
  onChange: (mm: number) => void;
  /** Called when the field is emptied; without it an empty field is refused. */
  onClear?: () => void;
  width?: number | string;
  /** It may be negative, as an ease may. */
  signed?: boolean;
}

/** LengthField reads a length as people type it, and keeps what was typed when that fails. */
export function LengthField({ label, mm, placeholder, onChange, onClear, width = 92, signed }: Props) {
  const { unit } = useUnit();
  const [typed, setTyped] = useState<string | null>(null);
  const [says, setSays] = useState<string | null>(null);
  const helpId = useId();
  useRed(says !== null);
  // What is read meanwhile of another field has come by the time this one is read.
  const latest = useRef({ mm, onChange });
  useEffect(() => {
    latest.current = { mm, onChange };
  });
  const shown = mm === null ? "" : formatLength(mm, unit);

  async function read(): Promise<boolean> {
    if (typed === null || typed === shown) {
      setTyped(null);
      return true;
    }
    if (typed.trim() === "" && onClear) {
      onClear();
      setTyped(null);
      setSays(null);
      return true;
    }
    try {
      const found = await unwrap(api.POST("/api/length", { body: { text: typed, unit, signed } }));
      setTyped((now) => (now === typed ? null : now)); // what was typed meanwhile stays
      setSays(null);
      if (found.mm !== latest.current.mm) latest.current.onChange(found.mm);
      return true;
    } catch (err) {
      setSays(err instanceof Offline ? "Server unavailable. Press Enter to try again." : (err as Error).message);
      return false;
    }
  }

  const settle = () => reading(read());

  function onKey(event: KeyboardEvent) {
    if (event.key === "Enter") settle();
    if (event.key === "Escape") {
      setTyped(null);
      setSays(null);
    }
  }

  return (
    <span className="length-field">
      <InputBase
        value={typed ?? shown}
        placeholder={placeholder}
        onChange={(e) => setTyped(e.target.value)}
        onFocus={(e) => e.target.select()}
        onBlur={settle}
        onKeyDown={onKey}
        error={says !== null}
        sx={{ width, borderBottom: "1px dashed", borderColor: says ? "error.main" : "divider", font: "inherit", "&.Mui-focused": { borderColor: "secondary.main", borderBottomStyle: "solid" } }}
        inputProps={{ "aria-label": label, "aria-describedby": says ? helpId : undefined, style: { padding: "1px 2px" } }}
      />
      {says && (
        <FormHelperText id={helpId} error role="alert">
          {says}
        </FormHelperText>
      )}
    </span>
  );
}
