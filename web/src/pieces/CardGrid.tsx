import { useVirtualizer } from "@tanstack/react-virtual";
import { useLayoutEffect, useRef, useState, type RefObject } from "react";
import type { PieceCard } from "../api/client.ts";
import { useCovers } from "../photos/photos.ts";
import { PieceCardView } from "./PieceCardView.tsx";

/** The measures of the grid in px: the least width of a card, the gap between cards, and how high a card usually is. */
const LEAST = 258;
const GAP = 18;
const HIGH = 330;

interface Props {
  total: number;
  at: (index: number) => PieceCard | undefined;
  scroller: RefObject<HTMLElement | null>;
  /** onLooked reports which pieces are looked at. */
  onLooked: (from: number, to: number) => void;
  onDuplicate: (piece: PieceCard) => void;
  onDelete: (piece: PieceCard) => void;
}

/** CardGrid shows the cards that are looked at, and a row around them, however many there are. */
export function CardGrid({ total, at, scroller, onLooked, onDuplicate, onDelete }: Props) {
  const list = useRef<HTMLDivElement>(null);
  const [columns, setColumns] = useState(1);
  useLayoutEffect(() => {
    const measure = () => setColumns(Math.max(1, Math.floor((list.current!.clientWidth + GAP) / (LEAST + GAP))));
    measure();
    const watch = new ResizeObserver(measure);
    watch.observe(list.current!);
    return () => watch.disconnect();
  }, []);
  // eslint-disable-next-line react-hooks/incompatible-library -- what it returns is used here alone
  const rows = useVirtualizer({ count: Math.ceil(total / columns), getScrollElement: () => scroller.current, estimateSize: () => HIGH, gap: GAP, overscan: 1 });
  const shown = rows.getVirtualItems();
  const from = (shown[0]?.index ?? 0) * columns;
  const to = ((shown.at(-1)?.index ?? 0) + 1) * columns - 1;
  useLayoutEffect(() => onLooked(from, to), [from, to, onLooked]);

  const covers = useCovers("piece", Array.from({ length: Math.min(total, to + 1) - from }, (_, i) => at(from + i)?.id).filter((id) => id !== undefined));

  return (
    <div role="list" className="cards" ref={list} style={{ height: rows.getTotalSize() }}>
      {shown.map((row) => (
        <div role="presentation" key={row.key} className="row" data-index={row.index} ref={rows.measureElement} style={{ transform: `translateY(${row.start}px)`, gridTemplateColumns: `repeat(${columns}, minmax(0, 1fr))`, gap: GAP }}>
          {Array.from({ length: Math.min(columns, total - row.index * columns) }, (_, column) => {
            const index = row.index * columns + column;
            const piece = at(index);
            return (
              <div role="listitem" key={piece?.id ?? index} className="card" aria-setsize={total} aria-posinset={index + 1}>
                {piece && <PieceCardView piece={piece} cover={covers[piece.id]} onDuplicate={() => onDuplicate(piece)} onDelete={() => onDelete(piece)} />}
              </div>
            );
          })}
        </div>
      ))}
    </div>
  );
}
