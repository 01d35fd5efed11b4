import { useRef, type MouseEvent, type PointerEvent } from "react";
import type { Strand } from "../api/client.ts";
import { gapAt, nearestGap } from "../draw/strandGeometry.ts";
import type { Handle } from "../api/piece.ts";

interface Hands {
  strand: Strand;
  px: number;
  mmAt: (clientX: number) => number;
  /** Another row at that place, with the gap there; null in the row in hand. */
  laneAt: (clientX: number, clientY: number) => { row: string; gap: number } | null;
  selection: { from: number; to: number };
  handle: Handle | null;
  onPlace: (gap: number, extend: boolean) => void;
  onRow: (row: string, gap: number) => void;
  onRun: (gap: number) => void;
  onMove: (gap: number) => void;
  onCount: (node: number, n: number) => void;
  /** Called while something is dragged: the gap it would go to, or by how many a run grows. */
  onDragged: (drag: { gap: number | null; by: number }) => void;
}

type Doing = { what: "select" | "press" | "move" | "pull"; x: number } | null;

const NEAR_HANDLE = 9;
const STILL = 4;

/** useHands makes presses and drags on the strand into selecting, moving, and pulling a run longer. */
export function useHands(h: Hands) {
  const doing = useRef<Doing>(null);
  const pulled = (x: number, from: number) => (h.handle ? Math.max(1 - h.handle.count, Math.round((x - from) / h.px / h.handle.pitchMm)) : 0);

  return {
    onPointerDown(event: PointerEvent<HTMLCanvasElement>) {
      if (event.button !== 0) return;
      event.currentTarget.focus();
      const other = h.laneAt(event.clientX, event.clientY);
      if (other) {
        h.onRow(other.row, other.gap);
        return;
      }
      event.currentTarget.setPointerCapture(event.pointerId);
      const mm = h.mmAt(event.clientX);
      const { from, to } = h.selection;
      const end = gapAt(h.strand, to);
      if (h.handle && Math.abs(mm - end) * h.px < NEAR_HANDLE) doing.current = { what: "pull", x: event.clientX };
      else if (from < to && !event.shiftKey && mm > gapAt(h.strand, from) && mm < end) doing.current = { what: "press", x: event.clientX };
      else {
        h.onPlace(nearestGap(h.strand, mm), event.shiftKey);
        doing.current = { what: "select", x: event.clientX };
      }
    },
    onPointerMove(event: PointerEvent<HTMLCanvasElement>) {
      const now = doing.current;
      if (!now) return;
      const gap = nearestGap(h.strand, h.mmAt(event.clientX));
      if (now.what === "press" && Math.abs(event.clientX - now.x) > STILL) now.what = "move";
      if (now.what === "select" && Math.abs(event.clientX - now.x) > STILL) h.onPlace(gap, true);
      if (now.what === "move") h.onDragged({ gap, by: 0 });
      if (now.what === "pull") h.onDragged({ gap: null, by: pulled(event.clientX, now.x) });
    },
    onPointerUp(event: PointerEvent<HTMLCanvasElement>) {
      const now = doing.current;
      doing.current = null;
      if (!now) return;
      h.onDragged({ gap: null, by: 0 });
      const gap = nearestGap(h.strand, h.mmAt(event.clientX));
      if (now.what === "press") h.onPlace(gap, false);
      if (now.what === "move") h.onMove(gap);
      if (now.what === "pull" && h.handle) {
        const by = pulled(event.clientX, now.x);
        if (by !== 0) h.onCount(h.handle.node, h.handle.count + by);
      }
    },
    onDoubleClick(event: MouseEvent<HTMLCanvasElement>) {
      h.onRun(nearestGap(h.strand, h.mmAt(event.clientX)));
    },
  };
}
