import type { KeyboardEvent, ReactNode } from "react";
import type { Operation } from "../api/client.ts";
import { isClosure, type FittingList } from "../piece/places.ts";

/** FITTING is what a dragged fitting carries: its list and its place there, from the strand outwards. */
const FITTING = "application/x-mala-fitting";

/** movedBy is the operation that moves a fitting outwards by a number of places; less than 0 inwards. */
export function movedBy(list: FittingList, fitting: string, outwards: number): Operation {
  return { do: "move-fitting", at: { fitting }, n: isClosure(list) ? -outwards : outwards };
}

interface Props {
  list: FittingList;
  fitting: string;
  /** Its place, from the strand outwards, and of how many. */
  at: number;
  of: number;
  onChoose: () => void;
  onMove: (operation: Operation) => void;
  children: ReactNode;
}

/** FittingPick is a fitting of an end: a click changes it; Alt and an arrow, or dragging it onto another, moves it. */
export function FittingPick({ list, fitting, at, of, onChoose, onMove, children }: Props) {
  function keyed(event: KeyboardEvent) {
    const by = event.key === "ArrowRight" || event.key === "ArrowDown" ? 1 : event.key === "ArrowLeft" || event.key === "ArrowUp" ? -1 : 0;
    if (!event.altKey || by === 0) return;
    event.preventDefault();
    if (at + by >= 0 && at + by < of) onMove(movedBy(list, fitting, by));
  }
  return (
    <button
      type="button"
      className="pick"
      onClick={onChoose}
      onKeyDown={keyed}
      title={of > 1 ? "Change it; Alt and an arrow key, or dragging, moves it" : "Change it"}
      draggable={of > 1}
      onDragStart={(e) => e.dataTransfer.setData(FITTING, JSON.stringify({ list, fitting, at }))}
      onDragOver={(e) => e.dataTransfer.types.includes(FITTING) && e.preventDefault()}
      onDrop={(e) => {
        const dragged = e.dataTransfer.getData(FITTING);
        if (!dragged) return;
        e.preventDefault();
        const from = JSON.parse(dragged) as { list: FittingList; fitting: string; at: number };
        if (from.list === list && from.at !== at) onMove(movedBy(list, from.fitting, at - from.at));
      }}
    >
      {children}
    </button>
  );
}
