import { cloths, layCloth } from "./cloth.ts";
import { drawWhole, fitWhole, type WholeView } from "./drawWhole.ts";
import { PX_PER_MM } from "./strandGeometry.ts";

/**
 * WholePainting keeps cloth, piece and scale as painted, so that moving the
 * caret over a piece that has not changed only lays its mark on top.
 */
export class WholePainting {
  #view: Omit<WholeView, "width" | "height">;
  #kept: { canvas: HTMLCanvasElement; width: number; height: number; fonts: boolean } | null = null;

  constructor(view: Omit<WholeView, "width" | "height">) {
    this.#view = view;
  }

  /** lay puts the painting on a canvas of that size. */
  lay(ctx: CanvasRenderingContext2D, width: number, height: number) {
    const whole = this.#kept?.width === width && this.#kept.height === height && this.#kept.fonts;
    if (!this.#kept || !whole) this.#kept = { canvas: paint({ ...this.#view, width, height }), width, height, fonts: document.fonts.status === "loaded" };
    ctx.drawImage(this.#kept.canvas, 0, 0, width, height);
  }
}

function paint(view: WholeView): HTMLCanvasElement {
  const { width, height, tone } = view;
  const ratio = Math.max(1, window.devicePixelRatio || 1);
  const canvas = document.createElement("canvas");
  canvas.width = Math.round(width * ratio);
  canvas.height = Math.round(height * ratio);
  const ctx = canvas.getContext("2d")!;
  ctx.scale(ratio, ratio);
  layCloth(ctx, tone, width, height);
  drawWhole(ctx, view);
  ctx.fillStyle = cloths[tone].text;
  ctx.font = '12px "Figtree Variable", sans-serif';
  ctx.fillText("The whole piece", 18, 24);
  ctx.fillText(`true to scale, ${((fitWhole(view) * (view.lens?.zoom ?? 1)) / PX_PER_MM).toFixed(2)} : 1`, 18, 40);
  ctx.fillText("on the circle of", 18, height - 28);
  ctx.fillText("its finished length", 18, height - 12);
  return canvas;
}
