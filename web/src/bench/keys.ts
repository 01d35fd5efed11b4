import type { KeyboardEvent } from "react";
import type { Bench } from "./Bench.ts";

export interface KeyHelp {
  keys: string;
  does: string;
}

/** STRAND_KEYS lists what the keys do on the strand; the key list shows it. */
export const STRAND_KEYS: KeyHelp[] = [
  { keys: "A … Z", does: "drop that dish's bead at the caret" },
  { keys: "9 P", does: "digits first: nine of them" },
  { keys: "← →", does: "move the caret; Shift selects, Ctrl goes run by run" },
  { keys: "Home End", does: "to the first or the last bead" },
  { keys: "↑ ↓", does: "one more or one fewer in the run at the caret" },
  { keys: "Backspace Delete", does: "take out the selection, or the bead beside the caret" },
  { keys: "(", does: "group the selection" },
  { keys: ")", does: "write out the group or mirror round it" },
  { keys: "<", does: "mirror the selection" },
  { keys: "~", does: "turn the selection round" },
  { keys: "{", does: "let the selection fill what length is left" },
  { keys: "*", does: "shuffle the selection, no two alike touching" },
  { keys: "Ctrl X C V", does: "cut, copy, paste" },
  { keys: "Ctrl A", does: "select every bead" },
  { keys: "[ ]", does: "close-up smaller, larger; Ctrl with the wheel does so too, the wheel alone looks along the strand" },
  { keys: "Esc", does: "let go of the selection" },
];

export const PAGE_KEYS: KeyHelp[] = [
  { keys: "Ctrl Z", does: "undo; with Shift, or Ctrl Y, redo" },
  { keys: "/", does: "go to the bead line" },
  { keys: ".", does: "go to the strand" },
  { keys: "+", does: "add a dish from the catalogue" },
  { keys: "Ctrl , Ctrl .", does: "the step before, the next step" },
  { keys: "Ctrl P", does: "the printed plan" },
  { keys: "?", does: "this list" },
];

const PUNCTUATION: Record<string, "group" | "unwrap" | "mirror" | "reverse" | "fill"> = { "(": "group", ")": "unwrap", "<": "mirror", "~": "reverse", "{": "fill" };

/** strandKey carries out a key pressed on the strand, and says whether it meant anything. */
export function strandKey(bench: Bench, event: KeyboardEvent): boolean {
  if (event.altKey) return false;
  if (event.ctrlKey || event.metaKey) return controlKey(bench, event);
  const { selection, doc } = bench.snapshot();
  const { key } = event;
  const wrap = PUNCTUATION[key];
  if (wrap) {
    void bench.edit({ do: wrap });
    return true;
  }
  switch (key) {
    case "*":
      bench.shuffle();
      return true;
    case "ArrowLeft":
    case "ArrowRight":
      arrow(bench, key === "ArrowLeft" ? -1 : 1, event.shiftKey);
      return true;
    case "ArrowUp":
    case "ArrowDown":
      bench.step(key === "ArrowUp" ? 1 : -1);
      return true;
    case "Home":
      bench.move(0, event.shiftKey);
      return true;
    case "End":
      bench.move(bench.beads(), event.shiftKey);
      return true;
    case "Backspace":
      bench.remove("before");
      return true;
    case "Delete":
      bench.remove("after");
      return true;
    case "Escape":
      bench.select(selection.focus, selection.focus);
      return true;
  }
  if (/^[0-9]$/.test(key)) {
    bench.typeCount(key);
    return true;
  }
  if (/^[a-z]$/i.test(key)) {
    const dish = key.toUpperCase();
    if (dish in doc.palette) void bench.drop(dish);
    else bench.say(`No dish has the letter ${dish}. Press + to add one.`);
    return true;
  }
  return false;
}

function arrow(bench: Bench, by: -1 | 1, extend: boolean) {
  const { anchor, focus } = bench.snapshot().selection;
  if (!extend && anchor !== focus) bench.move(by < 0 ? Math.min(anchor, focus) : Math.max(anchor, focus), false);
  else bench.move(focus + by, extend);
}

function controlKey(bench: Bench, event: KeyboardEvent): boolean {
  const { selection, analysis } = bench.snapshot();
  switch (event.key.toLowerCase()) {
    case "a":
      bench.select(0, bench.beads());
      return true;
    case "arrowleft":
    case "arrowright": {
      const edges = [0, ...(analysis?.strands[0].runs ?? []).map((run) => run.first + run.count)];
      const to = event.key === "ArrowLeft" ? edges.findLast((e) => e < selection.focus) : edges.find((e) => e > selection.focus);
      if (to !== undefined) bench.move(to, event.shiftKey);
      return true;
    }
  }
  return false;
}
