import type { KeyboardEvent } from "react";
import { strandOf } from "../api/piece.ts";
import type { Bench } from "./Bench.ts";
import { actionOf, STRAND_KEYS, type StrandAction } from "./keys.ts";

/** StrandView is what keys do to the view of the strand rather than to the strand. */
export interface StrandView {
  zoom: (by: 1 | -1) => void;
}

type Handler = (bench: Bench, event: KeyboardEvent, view: StrandView) => void;

const HANDLERS: Record<Exclude<StrandAction, "paste">, Handler> = {
  drop: (bench, { key }) => {
    const dish = key.toUpperCase();
    if (dish in bench.snapshot().doc.palette) void bench.drop(dish);
    else bench.say(`No dish has the letter ${dish}. Press + to add one.`);
  },
  count: (bench, { key }) => bench.typeCount(key),
  move: (bench, { key, shiftKey }) => arrow(bench, key === "ArrowLeft" ? -1 : 1, shiftKey),
  byRun: (bench, { key, shiftKey }) => byRun(bench, key === "ArrowLeft" ? -1 : 1, shiftKey),
  otherRow: (bench, { key }) => bench.nextRow(key === "ArrowUp" ? -1 : 1),
  toEdge: (bench, { key, shiftKey }) => bench.move(key === "Home" ? 0 : bench.beads(), shiftKey),
  step: (bench, { key }) => bench.step(key === "ArrowUp" ? 1 : -1),
  delete: (bench, { key }) => bench.remove(key === "Backspace" ? "before" : "after"),
  group: (bench) => void bench.edit({ do: "group" }),
  anyOrder: (bench) => void bench.edit({ do: "any-order" }),
  ungroup: (bench) => void bench.edit({ do: "ungroup" }),
  mirror: (bench) => void bench.edit({ do: "mirror" }),
  reverse: (bench) => void bench.edit({ do: "reverse" }),
  fill: (bench) => void bench.edit({ do: "fill" }),
  hang: (bench) => void bench.edit({ do: "hang-drop" }),
  loop: (bench) => void bench.edit({ do: "hang-loop" }),
  gap: (bench) => bench.addGap(),
  shuffle: (bench) => bench.shuffle(),
  pin: (bench) => bench.pin(),
  cut: (bench) => void bench.cut().then(toClipboard),
  copy: (bench) => void bench.copy().then(toClipboard),
  selectAll: (bench) => bench.select(0, bench.beads()),
  zoom: (_, { key }, view) => view.zoom(key === "]" ? 1 : -1),
  clear: (bench) => {
    const { focus } = bench.snapshot().selection;
    bench.select(focus, focus);
  },
};

/** strandKey carries out a key pressed on the strand, and says whether it meant anything. */
export function strandKey(bench: Bench, event: KeyboardEvent, view: StrandView): boolean {
  const action = event.altKey ? undefined : actionOf(STRAND_KEYS, event);
  // The browser's own paste event carries what is pasted.
  if (!action || action === "paste") return false;
  HANDLERS[action](bench, event, view);
  return true;
}

function toClipboard(text: string | undefined | null) {
  if (text) void navigator.clipboard?.writeText(text).catch(() => undefined);
}

function arrow(bench: Bench, by: -1 | 1, extend: boolean) {
  const { anchor, focus } = bench.snapshot().selection;
  if (!extend && anchor !== focus) bench.move(by < 0 ? Math.min(anchor, focus) : Math.max(anchor, focus), false);
  else bench.move(focus + by, extend);
}

/** byRun moves the caret to the next edge of a run. */
function byRun(bench: Bench, by: -1 | 1, extend: boolean) {
  const { selection, analysis, row } = bench.snapshot();
  const edges = [0, ...(strandOf(analysis, row)?.runs ?? []).map((run) => run.first + run.count)];
  const to = by < 0 ? edges.findLast((e) => e < selection.focus) : edges.find((e) => e > selection.focus);
  if (to !== undefined) bench.move(to, extend);
}
