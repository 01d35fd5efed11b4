import { Button, Dialog, DialogActions, DialogContent, DialogTitle, TextField } from "@mui/material";
import { useState, type FormEvent } from "react";
import { useNavigate } from "react-router";
import { api, given, type NewPiece } from "../api/client.ts";
import { formatLength } from "../units/length.ts";
import { useUnit } from "../units/UnitContext.tsx";
import { Choice, CLOSURES, KINDS } from "./Answers.tsx";

/** USUAL is the length each kind is usually made to, in mm. */
const USUAL: Record<NewPiece["kind"], number> = { necklace: 450, bracelet: 190, anklet: 240 };

/** NewPieceDialog asks for three answers and opens the piece they give. */
export function NewPieceDialog({ open, onClose }: { open: boolean; onClose: () => void }) {
  const navigate = useNavigate();
  const { unit } = useUnit();
  const [kind, setKind] = useState<NewPiece["kind"]>("necklace");
  const [closure, setClosure] = useState<NewPiece["closure"]>("clasp");
  const [length, setLength] = useState<string | null>(null);
  const [name, setName] = useState("");
  const [says, setSays] = useState<string | null>(null);
  const shown = length ?? formatLength(USUAL[kind], unit);

  async function start(event: FormEvent) {
    event.preventDefault();
    try {
      const { mm } = await given(api.POST("/api/length", { body: { text: shown, unit } }));
      const made = await given(api.POST("/api/pieces/new", { body: { name: name.trim() || `New ${kind}`, kind, closure, targetMm: mm } }));
      onClose();
      void navigate(`/pieces/${made.id}`);
    } catch (err) {
      setSays((err as Error).message);
    }
  }

  return (
    <Dialog open={open} onClose={onClose} maxWidth="xs" fullWidth aria-labelledby="new-title">
      <form onSubmit={(e) => void start(e)} noValidate>
        <DialogTitle id="new-title" component="h1" variant="h1">
          New piece
        </DialogTitle>
        <DialogContent>
          <div className="answers">
            <Choice legend="What is it?" value={kind} options={KINDS} onChange={setKind} />
            <Choice legend="How does it close?" value={closure} options={CLOSURES} onChange={setClosure} says={CLOSURES.find((c) => c.value === closure)?.says} />
            <TextField
              label="How long should it be, closed?"
              value={shown}
              onChange={(e) => {
                setLength(e.target.value);
                setSays(null);
              }}
              error={says !== null}
              helperText={says ?? 'As you say it: 7 1/2", 19 cm, 450'}
              slotProps={{ formHelperText: { role: says ? "alert" : undefined } }}
            />
            <TextField label="Name, if it has one yet" value={name} onChange={(e) => setName(e.target.value)} slotProps={{ htmlInput: { maxLength: 120 } }} />
          </div>
        </DialogContent>
        <DialogActions sx={{ px: 3, pb: 2 }}>
          <Button onClick={onClose}>Not now</Button>
          <Button type="submit" variant="contained">
            Lay it out
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  );
}
