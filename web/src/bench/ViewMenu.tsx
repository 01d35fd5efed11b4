import { several } from "../api/piece.ts";
import type { BenchState } from "../piece/BenchState.ts";
import { zoomed } from "../pictures/WholePiece.tsx";
import { MenuButton, type Choice } from "../ui/MenuButton.tsx";
import { TONES, type FeltView } from "./useFeltView.ts";

/** ViewMenu is how the piece is shown on the felt: nothing of it lies over the beads. */
export function ViewMenu({ state, view, liesFlat }: { state: BenchState; view: FeltView; liesFlat: boolean }) {
  const choices: Choice[] = [
    ...(liesFlat ? [{ says: "Laid flat", on: view.laid, does: () => view.change({ laid: !view.laid }) }] : []),
    { says: "Letters on the beads", on: view.letters, does: () => view.change({ letters: !view.letters }) },
    { says: "True size", on: view.truePx !== null, stays: false, does: view.toTrueSize },
    { says: "Ruler from the centre", on: view.fromCentre, does: () => view.change({ fromCentre: !view.fromCentre }) },
    ...(several(state.doc) ? [{ says: "Line up at the left", on: view.align === "left", does: () => view.change({ align: view.align === "left" ? "centre" : "left" }) }] : []),
    ...TONES.map((tone, i): Choice => ({ says: `${tone[0].toUpperCase()}${tone.slice(1)} background`, on: view.tone === tone, among: true, does: () => view.change({ tone }), heading: i === 0 ? "Background" : undefined })),
    { says: "Larger close-up", hint: "]", stays: true, does: () => view.zoomBy(1), heading: "Zoom" },
    { says: "Smaller close-up", hint: "[", stays: true, does: () => view.zoomBy(-1) },
    { says: "Larger whole piece", hint: "Ctrl wheel", stays: true, does: () => view.change({ lens: zoomed(view.lens, 1.4) }) },
    { says: "Smaller whole piece", stays: true, does: () => view.change({ lens: zoomed(view.lens, 1 / 1.4) }) },
  ];
  return <MenuButton label="View" className="tool" choices={choices} />;
}
