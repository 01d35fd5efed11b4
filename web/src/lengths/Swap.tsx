import type { KeyboardEvent, ReactNode } from "react";

interface Props {
  name: string;
  at: number;
  of: number;
  onSwap: (by: 1 | -1) => void;
  children: ReactNode;
}

/** Swap goes from one proposal to the next, beside what can be done with the one that is shown. */
export function Swap({ name, at, of, onSwap, children }: Props) {
  return (
    <div className="swap" role="group" aria-label={`Proposals for ${name}`}>
      <button type="button" onClick={() => onSwap(-1)} disabled={of < 2} aria-label={`Previous proposal for ${name}`}>
        ‹
      </button>
      <span>
        {at + 1} of {of}
      </span>
      <button type="button" onClick={() => onSwap(1)} disabled={of < 2} aria-label={`Next proposal for ${name}`}>
        ›
      </button>
      {children}
    </div>
  );
}

/** swapKeys lets the arrow keys swap. */
export function swapKeys(onSwap: (by: 1 | -1) => void) {
  return (event: KeyboardEvent) => {
    if (event.key !== "ArrowLeft" && event.key !== "ArrowRight") return;
    if ((event.target as HTMLElement).closest("input, select")) return;
    onSwap(event.key === "ArrowRight" ? 1 : -1);
    event.preventDefault();
  };
}
