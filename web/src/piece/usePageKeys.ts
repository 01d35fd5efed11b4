import { useEffect, useRef } from "react";
import { actionOf, PAGE_KEYS, type PageAction } from "./keys.ts";
import { oneSignActs } from "./oneSign.ts";

/** Act does what a key of the page means, and says whether it did. */
type Act = (action: PageAction) => boolean;

const acts: Act[] = [];

/** GO_ANYWHERE go on from a field too: no field has a meaning of its own for them. */
const GO_ANYWHERE: readonly PageAction[] = ["previousStep", "nextStep", "plan"];

const FIELDS = "input, textarea, select, [contenteditable]";
const STRAND = "[role=application]";
const isOneSign = (event: KeyboardEvent) => event.key.length === 1 && !event.ctrlKey && !event.metaKey;
const isUndo = (action: PageAction) => action === "undo" || action === "redo";
const inside = (target: EventTarget | null, selector: string) => target instanceof HTMLElement && target.closest(selector) !== null;

/** mayAct says whether the page's keys are the page's: not under a menu or a window that is open, and not those that a field takes. */
function mayAct(action: PageAction, target: EventTarget | null): boolean {
  if (document.querySelector(".MuiModal-root")) return false;
  if (GO_ANYWHERE.includes(action)) return true;
  // A field has its own undo; the bead line's is the piece's.
  return !inside(target, "[role=dialog]") && (!inside(target, FIELDS) || (isUndo(action) && inside(target, ".line")));
}

function onKey(event: KeyboardEvent) {
  const action = actionOf(PAGE_KEYS, event);
  if (!action || (isOneSign(event) && !oneSignActs() && !inside(event.target, STRAND))) return;
  if (!mayAct(action, event.target)) {
    // Of itself the browser would undo in the field that was typed in last, and go there.
    if (isUndo(action) && !inside(event.target, FIELDS)) event.preventDefault();
    return;
  }
  // What was shown last is nearest to the hand.
  if ([...acts].reverse().some((act) => act(action))) event.preventDefault();
}

/** usePageKeys has the keys of the page act for as long as a view is there. One listener hears for all of them. */
export function usePageKeys(act: Act) {
  const latest = useRef(act);
  useEffect(() => {
    latest.current = act;
  });
  useEffect(() => {
    const one: Act = (action) => latest.current(action);
    if (acts.length === 0) window.addEventListener("keydown", onKey);
    acts.push(one);
    return () => {
      acts.splice(acts.indexOf(one), 1);
      if (acts.length === 0) window.removeEventListener("keydown", onKey);
    };
  }, []);
}
