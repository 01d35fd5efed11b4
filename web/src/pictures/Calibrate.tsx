import { Button, Dialog, DialogActions, DialogContent, DialogTitle, Slider } from "@mui/material";
import { useState } from "react";
import { PX_PER_MM } from "../draw/strandGeometry.ts";
import { keepTruePx, keptTruePx } from "./trueSize.ts";

const BAR_MM = 100;

/** Calibrate asks for a ruler held to a bar, once in each browser. */
export function Calibrate({ open, onDone }: { open: boolean; onDone: (truePx: number | null) => void }) {
  const [px, setPx] = useState(() => keptTruePx() ?? PX_PER_MM);
  return (
    <Dialog open={open} onClose={() => onDone(null)} maxWidth="md" aria-labelledby="true-size-title">
      <DialogTitle id="true-size-title" component="h1" variant="h1">
        True size on this screen
      </DialogTitle>
      <DialogContent>
        <p style={{ marginTop: 0 }}>Hold a ruler to the bar and move the slider until the bar measures exactly {BAR_MM} mm. This browser remembers it.</p>
        <div data-testid="bar" style={{ width: BAR_MM * px, height: 22, background: "var(--plum)", margin: "18px 0" }} />
        <Slider value={px} min={PX_PER_MM * 0.5} max={PX_PER_MM * 2} step={0.005} onChange={(_, value) => setPx(value as number)} aria-label="Length of the bar" getAriaValueText={(v) => `${(v / PX_PER_MM).toFixed(2)} of normal`} />
      </DialogContent>
      <DialogActions>
        <Button onClick={() => onDone(null)}>Cancel</Button>
        <Button
          variant="contained"
          onClick={() => {
            keepTruePx(px);
            onDone(px);
          }}
        >
          It measures {BAR_MM} mm
        </Button>
      </DialogActions>
    </Dialog>
  );
}
