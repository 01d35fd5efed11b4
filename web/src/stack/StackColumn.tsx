import { useCallback, useState } from "react";
import { Link } from "react-router";
import { api, unwrap, type Document, type Operation, type StackPiece } from "../api/client.ts";
import { strandOf } from "../api/piece.ts";
import type { Bench } from "../piece/Bench.ts";
import { useCanvas, type CanvasSize } from "../pictures/useCanvas.ts";
import { useSharedScale, useTellScale } from "../pictures/OneScale.tsx";
import { lacedIn } from "../draw/paint/laced.ts";
import { usePicture } from "../pictures/usePicture.ts";
import { drawWrap, scaleOf } from "../draw/drawWrap.ts";
import { bodyOf } from "../lengths/Wearer.tsx";
import { Fact } from "../lengths/SizeColumn.tsx";
import { Swap, swapKeys } from "../lengths/Swap.tsx";
import { useMade } from "../lengths/useMade.ts";
import { Length } from "../ui/UnitContext.tsx";
import { ShortOfStock } from "../ui/ShortOfStock.tsx";

interface Props {
  bench: Bench;
  one: StackPiece;
  /** It is the piece that is open. */
  inHand: boolean;
  onChanged: () => void;
}

/** StackColumn is one piece of a stack as it lies round the body, with what would bring it to the length of the others. */
export function StackColumn({ bench, one, inHand, onChanged }: Props) {
  const [picked, setPicked] = useState(0);
  const { says, use, undo } = useOthers(bench, one, inHand, onChanged);
  const way = one.items[Math.min(picked, one.items.length - 1)];
  const shown = way ?? one;
  const swap = (by: 1 | -1) => setPicked((picked + by + one.items.length) % Math.max(1, one.items.length));
  const { name } = one.document;

  return (
    <section className="size-column" aria-label={`Piece ${name}`} tabIndex={0} onKeyDown={swapKeys(swap)}>
      <h3>
        {inHand ? name : <Link to={`/pieces/${one.id}`}>{name}</Link>} {inHand && <span className="quiet">this piece</span>}
      </h3>
      <RoundBody doc={one.document} operations={way?.operations ?? []} id={one.id} />
      <table className="list">
        <tbody>
          {shown.insideMm !== undefined && <Fact what="inside" value={<Changed mm={shown.insideMm} was={one.insideMm} />} />}
          <Fact what="strung" value={<Changed mm={shown.strungMm} was={one.strungMm} />} />
          <Fact what="length" value={<Length mm={shown.finishedMm} />} />
          {shown.easeMm !== undefined && (
            <Fact
              what="ease"
              value={
                <>
                  <Length mm={shown.easeMm} /> {shown.easeWord}
                </>
              }
            />
          )}
        </tbody>
      </table>
      {one.alike && <p className="all-right">✓ alike as it is</p>}
      {!one.alike && one.why && <p role="status">{one.why}</p>}
      {way && (
        <>
          <p className="bead-line">{way.line}</p>
          <p className="quiet">{way.changes.join(", ")}</p>
          <ShortOfStock lacks={way.short} />
          <Swap name={name} at={one.items.indexOf(way)} of={one.items.length} onSwap={swap}>
            <button type="button" className="link" aria-label={`Use for ${name}`} onClick={() => use(way.operations)}>
              Use
            </button>
          </Swap>
        </>
      )}
      {says && <p role="status">{says}</p>}
      {undo && (
        <button type="button" className="link" aria-label={`Undo the change of ${name}`} onClick={undo}>
          Undo
        </button>
      )}
    </section>
  );
}

/** Changed is a length, and what it is now where a proposal changes it. */
function Changed({ mm, was = mm }: { mm: number; was?: number }) {
  return (
    <>
      {was !== mm && (
        <span className="quiet">
          now <Length mm={was} />,{" "}
        </span>
      )}
      <Length mm={mm} />
    </>
  );
}

/** useOthers changes a piece of the stack: the one in hand on the bench, another where it is saved. */
function useOthers(bench: Bench, one: StackPiece, inHand: boolean, onChanged: () => void) {
  const [says, setSays] = useState<string | null>(null);
  const [before, setBefore] = useState<Document | null>(null);
  const save = async (document: Document, said: string) => {
    await unwrap(api.PUT("/api/pieces/{id}", { params: { path: { id: one.id } }, body: { base: one.revision, document } }));
    setSays(said);
    onChanged();
  };
  const guarded = (work: () => Promise<void>) => void work().catch((err: Error) => setSays(err.message));
  return {
    says,
    use: (operations: Operation[]) =>
      inHand
        ? void bench.apply(...operations)
        : guarded(async () => {
            const { edited } = await unwrap(api.POST("/api/edit", { params: { query: { brief: true } }, body: { document: one.document, operations } }));
            await save(edited.document, `${one.document.name} is saved so.`);
            setBefore(one.document);
          }),
    undo:
      before &&
      (() =>
        guarded(async () => {
          await save(before, `${before.name} is as it was.`);
          setBefore(null);
        })),
  };
}

/** RoundBody is the cross-section of a piece after operations, to one scale with the others. */
function RoundBody({ doc, operations, id }: { doc: Document; operations: Operation[]; id: string }) {
  const made = useMade(doc, operations, `${id} ${JSON.stringify(operations)}`);
  const drawn = usePicture(made?.analysis, made?.doc);
  const wrap = drawn?.picture.wraps[0];
  const view = useCallback(
    ({ width, height }: CanvasSize) => {
      if (!drawn || !wrap) return null;
      const of = (row: string) => strandOf(drawn.analysis, row);
      return {
        wrap, doc: drawn.doc, outlines: drawn.analysis.drawing?.outlines ?? {}, placed: of(wrap.strand).placed, placedOf: (row: string) => of(row).placed, lacedOf: (row: string) => lacedIn(drawn.doc, of(row)),
        measureMm: bodyOf(drawn.doc).measureMm ?? null, width, height,
      };
    },
    [drawn, wrap],
  );
  const px = useSharedScale();
  const draw = useCallback(
    (ctx: CanvasRenderingContext2D, size: CanvasSize) => {
      const seen = view(size);
      if (seen && px) drawWrap(ctx, { ...seen, px });
    },
    [view, px],
  );
  const { ref, size } = useCanvas(draw);
  const seen = size.width > 0 ? view(size) : null;
  useTellScale(seen ? scaleOf(seen) : 0);
  return <canvas ref={ref} className="picture" role="img" aria-label={wrap ? `${doc.name} round the body` : `${doc.name}: no cross-section to draw`} />;
}
