import { useEffect, useRef, useState, type KeyboardEvent, type ReactNode } from "react";
import type { Way } from "../api/client.ts";
import type { Bench } from "../piece/Bench.ts";
import "./proposals.css";

interface Props {
  bench: Bench;
  /** What opens it is found by this. */
  id: string;
  title: string;
  hint: string;
  /** The hint is about something that is wrong. */
  off?: boolean;
  /** Those that number keys take. */
  ways: Way[];
  /** Where it was opened from elsewhere: what closes it. */
  onClose?: () => void;
  children: ReactNode;
}

/** WaysSection opens ways to change the piece: a number takes one, Escape closes it. */
export function WaysSection({ bench, id, title, hint, off = false, ways, onClose, children }: Props) {
  const [open, setOpen] = useState(onClose !== undefined);
  const heading = useRef<HTMLButtonElement>(null);
  useEffect(() => {
    if (onClose) heading.current?.focus();
    // Only as it opens.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, []);
  const close = () => {
    void bench.preview(null);
    if (onClose) onClose();
    else setOpen(false);
  };

  const takes = takenByNumber(bench, ways);
  function onKey(event: KeyboardEvent) {
    if (!open) return;
    if (event.key === "Escape") {
      close();
      event.preventDefault();
    } else takes(event);
  }

  return (
    <section className="proposals" aria-label={title} onKeyDown={onKey}>
      <h2>
        <button ref={heading} type="button" id={id} className="plain" aria-expanded={open} onClick={() => (open ? close() : setOpen(true))}>
          {title} <i aria-hidden>{onClose ? "✕" : open ? "▾" : "▸"}</i>
        </button>
      </h2>
      {open ? children : <p className={off ? "off" : "quiet"}>{hint}</p>}
    </section>
  );
}

/** takenByNumber lets a number key take the way of that number. */
export function takenByNumber(bench: Bench, ways: Way[]) {
  return (event: KeyboardEvent) => {
    if (event.ctrlKey || event.metaKey || event.altKey || (event.target as HTMLElement).closest("select, input:not([type=checkbox])")) return;
    const way = ways[Number(event.key) - 1];
    if (!/^[1-9]$/.test(event.key) || !way?.operations.length) return;
    void bench.apply(...way.operations);
    event.preventDefault();
  };
}
