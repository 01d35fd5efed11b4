import { useEffect, useRef } from "react";
import { actionOf, PAGE_KEYS, type PageAction } from "./keys.ts";

/** Act does what a key of the page means, and says whether it did. */
type Act = (action: PageAction) => boolean;

const acts: Act[] = [];

/** GO_ANYWHERE go on from a field too: no field has a meaning of its own for them. */
const GO_ANYWHERE: readonly PageAction[] = ["previousStep", "nextStep", "plan"];

/** mayAct says whether the page's keys are the page's: not under a menu or a window that is open, and not those that a field takes. */
function mayAct(action: PageAction, target: EventTarget | null): boolean {
  if (document.querySelector(".MuiModal-root")) return false;
  if (!(target instanceof HTMLElement) || GO_ANYWHERE.includes(action)) return true;
  if (target.closest("[role=dialog]")) return false;
  // A field has its own undo; the bead line's is the piece's.
  const undoes = action === "undo" || action === "redo";
  return !target.closest("input, textarea, select, [contenteditable]") || (undoes && target.closest(".line") !== null);
}

function onKey(event: KeyboardEvent) {
  const action = actionOf(PAGE_KEYS, event);
  if (!action || !mayAct(action, event.target)) return;
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
