/** Press is what a key needs to know of a key event. */
export interface Press {
  key: string;
  ctrlKey: boolean;
  metaKey: boolean;
  shiftKey: boolean;
}

/** Key is one thing that keys do: how it is shown, what it does, and which key presses mean it. */
export interface Key<Action extends string> {
  action: Action;
  keys: string;
  does: string;
  pressed: (press: Press) => boolean;
}

export type StrandAction =
  | "drop" | "count" | "move" | "byRun" | "otherRow" | "toEdge" | "step" | "delete" | "group" | "anyOrder" | "ungroup" | "mirror" | "reverse" | "fill" | "gap" | "hang" | "loop" | "shuffle"
  | "pin" | "cut" | "copy" | "paste" | "selectAll" | "zoom" | "clear";

export type PageAction = "undo" | "redo" | "line" | "strand" | "addDish" | "proposals" | "previousStep" | "nextStep" | "plan" | "newPiece" | "help";

const control = (p: Press) => p.ctrlKey || p.metaKey;
const plain = (...keys: string[]) => (p: Press) => !control(p) && keys.includes(p.key);
const withControl = (...keys: string[]) => (p: Press) => control(p) && keys.includes(p.key.toLowerCase());
const matching = (pattern: RegExp) => (p: Press) => !control(p) && pattern.test(p.key);

/** STRAND_KEYS are the keys of the strand, for the key list and for the strand itself. */
export const STRAND_KEYS: Key<StrandAction>[] = [
  { action: "drop", keys: "A … Z", does: "add that dish's bead at the caret", pressed: matching(/^[a-z]$/i) },
  { action: "count", keys: "9 P", does: "type a number first to add that many", pressed: matching(/^[0-9]$/) },
  { action: "move", keys: "← →", does: "move the caret; with Shift, select", pressed: plain("ArrowLeft", "ArrowRight") },
  { action: "byRun", keys: "Ctrl ← →", does: "move the caret by a run", pressed: withControl("arrowleft", "arrowright") },
  { action: "otherRow", keys: "Ctrl ↑ ↓", does: "go to the row above or below", pressed: withControl("arrowup", "arrowdown") },
  { action: "toEdge", keys: "Home End", does: "go to the first or last bead", pressed: plain("Home", "End") },
  { action: "step", keys: "↑ ↓", does: "one more or one fewer in the run at the caret", pressed: plain("ArrowUp", "ArrowDown") },
  { action: "delete", keys: "Backspace Delete", does: "delete the selection, or the bead beside the caret", pressed: plain("Backspace", "Delete") },
  { action: "group", keys: "(", does: "group the selection", pressed: plain("(") },
  { action: "anyOrder", keys: "%", does: "let the selection come in any order, or not any more", pressed: plain("%") },
  { action: "ungroup", keys: ")", does: "ungroup the group or mirror around the selection", pressed: plain(")") },
  { action: "mirror", keys: "<", does: "mirror the selection", pressed: plain("<") },
  { action: "reverse", keys: "~", does: "reverse the selection", pressed: plain("~") },
  { action: "fill", keys: "{", does: "repeat the selection to fill the target length", pressed: plain("{") },
  { action: "gap", keys: "_", does: "put a gap of bare cord at the caret", pressed: plain("_") },
  { action: "loop", keys: "&", does: "hang the selection in a loop of the strand's own cord through its first bead", pressed: plain("&") },
  { action: "hang", keys: "|", does: "hang the selection as a drop on the strand's own cord, the last bead at its foot", pressed: plain("|") },
  { action: "pin", keys: "!", does: "keep the run at the caret as it is, so that proposals leave it, or let it change again", pressed: plain("!") },
  { action: "shuffle", keys: "*", does: "shuffle the selection so that no two alike touch", pressed: plain("*") },
  { action: "cut", keys: "Ctrl X", does: "cut", pressed: withControl("x") },
  { action: "copy", keys: "Ctrl C", does: "copy", pressed: withControl("c") },
  { action: "paste", keys: "Ctrl V", does: "paste", pressed: withControl("v") },
  { action: "selectAll", keys: "Ctrl A", does: "select all beads", pressed: withControl("a") },
  { action: "zoom", keys: "[ ]", does: "zoom the close-up out or in; Ctrl with the wheel does the same", pressed: plain("[", "]") },
  { action: "clear", keys: "Esc", does: "clear selection", pressed: plain("Escape") },
];

/** PAGE_KEYS are the keys that work outside the strand. */
export const PAGE_KEYS: Key<PageAction>[] = [
  { action: "redo", keys: "Ctrl Y", does: "redo; Ctrl Shift Z does the same", pressed: (p) => withControl("y")(p) || (withControl("z")(p) && p.shiftKey) },
  { action: "undo", keys: "Ctrl Z", does: "undo", pressed: withControl("z") },
  { action: "line", keys: "/", does: "go to the bead line", pressed: plain("/") },
  { action: "strand", keys: ".", does: "go to the strand", pressed: plain(".") },
  { action: "addDish", keys: "+", does: "add a dish from the catalogue", pressed: plain("+") },
  { action: "proposals", keys: "=", does: "go to the proposals; 1 to 5 takes one", pressed: plain("=") },
  { action: "previousStep", keys: "Ctrl ,", does: "go to the previous step", pressed: withControl(",") },
  { action: "nextStep", keys: "Ctrl .", does: "go to the next step", pressed: withControl(".") },
  { action: "plan", keys: "Ctrl P", does: "go to the printed plan", pressed: withControl("p") },
  { action: "newPiece", keys: "n", does: "new piece, among the pieces", pressed: plain("n") },
  { action: "help", keys: "?", does: "this list", pressed: plain("?") },
];

/** actionOf returns what a key press means by a table of keys; undefined if nothing. */
export function actionOf<Action extends string>(keys: Key<Action>[], press: Press): Action | undefined {
  return keys.find((one) => one.pressed(press))?.action;
}
