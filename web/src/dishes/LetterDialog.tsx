import { Button, Dialog, DialogActions, DialogContent, DialogTitle, TextField } from "@mui/material";
import { useState, type FormEvent } from "react";
import type { Bench } from "../piece/Bench.ts";

interface Props {
  bench: Bench;
  letter: string;
  onClose: () => void;
}

/** LetterDialog gives a dish another letter. */
export function LetterDialog({ bench, letter, onClose }: Props) {
  const [typed, setTyped] = useState(letter);
  const [says, setSays] = useState<string | null>(null);

  async function change(event: FormEvent) {
    event.preventDefault();
    const fault = await bench.changeLetter(letter, typed.trim().replace(/^[a-z]/, (c) => c.toUpperCase()));
    if (fault) setSays(fault);
    else onClose();
  }

  return (
    <Dialog open onClose={onClose} aria-labelledby="letter-title">
      <form onSubmit={(e) => void change(e)} noValidate>
        <DialogTitle id="letter-title" component="h1" variant="h1">
          New letter for dish {letter}
        </DialogTitle>
        <DialogContent sx={{ pt: "8px !important" }}>
          <TextField
            label="Letter"
            value={typed}
            autoFocus
            onFocus={(e) => e.target.select()}
            onChange={(e) => setTyped(e.target.value)}
            error={says !== null}
            helperText={says ?? "If another dish has this letter, the two are swapped."}
            slotProps={{ htmlInput: { maxLength: 2, autoComplete: "off" } }}
          />
        </DialogContent>
        <DialogActions>
          <Button onClick={onClose}>Cancel</Button>
          <Button type="submit" variant="contained">
            Change
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  );
}
