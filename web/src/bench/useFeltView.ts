import { useCallback, useState } from "react";
import type { Tone } from "../draw/cloth.ts";
import { PLAIN_LENS, type Lens } from "../draw/drawWhole.ts";
import { keptTruePx } from "../pictures/trueSize.ts";

export const TONES: Tone[] = ["light", "middle", "dark"];

/** ZOOMS is how much larger than usual the close-up can be. */
const ZOOMS = [0.5, 0.7, 1, 1.4, 2, 2.8, 4];
const AS_USUAL = 2;

/** Shown is how the pictures on the felt are shown. */
interface Shown {
  tone: Tone;
  letters: boolean;
  /** The whole piece is laid flat. */
  laid: boolean;
  fromCentre: boolean;
  align: "centre" | "left";
  lens: Lens;
  zoom: number;
  /** px to the mm of true size, when the close-up is shown so. */
  truePx: number | null;
  /** The screen's true size is asked for. */
  calibrating: boolean;
}

/** KEPT is what is remembered from one piece to the next. */
const KEPT = { tone: "mala.felt", letters: "mala.letters", laid: "mala.laid" } as const;

function kept(): Pick<Shown, "tone" | "letters" | "laid"> {
  const tone = localStorage.getItem(KEPT.tone);
  return { tone: TONES.find((one) => one === tone) ?? "light", letters: localStorage.getItem(KEPT.letters) === "yes", laid: localStorage.getItem(KEPT.laid) === "yes" };
}

export interface FeltView extends Shown {
  /** How much larger than usual the close-up is. */
  times: number;
  change: (to: Partial<Shown>) => void;
  zoomBy: (by: number) => void;
  toTrueSize: () => void;
}

/** useFeltView keeps how the felt is shown, some of it from one piece to the next. */
export function useFeltView(): FeltView {
  const [shown, setShown] = useState<Shown>(() => ({ ...kept(), fromCentre: false, align: "centre", lens: PLAIN_LENS, zoom: AS_USUAL, truePx: null, calibrating: false }));
  const change = useCallback((to: Partial<Shown>) => {
    if (to.tone) localStorage.setItem(KEPT.tone, to.tone);
    for (const name of ["letters", "laid"] as const) if (to[name] !== undefined) localStorage.setItem(KEPT[name], to[name] ? "yes" : "no");
    setShown((was) => ({ ...was, ...to }));
  }, []);
  const zoomBy = useCallback((by: number) => setShown((was) => ({ ...was, truePx: null, zoom: Math.max(0, Math.min(ZOOMS.length - 1, was.zoom + by)) })), []);
  const toTrueSize = useCallback(() => setShown((was) => ({ ...was, truePx: was.truePx ? null : keptTruePx(), calibrating: !was.truePx && !keptTruePx() })), []);
  return { ...shown, times: ZOOMS[shown.zoom], change, zoomBy, toTrueSize };
}
