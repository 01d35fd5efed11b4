import { cloths, layCloth } from "../draw/cloth.ts";
import { drawWhole, fitWhole, type WholeView } from "../draw/drawWhole.ts";
import { PX_PER_MM } from "../draw/strandGeometry.ts";

/**
 * WholePainting keeps cloth, piece and scale as painted, so that moving the
 * caret over a piece that has not changed only lays its mark on top.
 */
export class WholePainting {
  #canvas: HTMLCanvasElement | null = null;
  #painted: WholeView | null = null;

  /** lay puts the piece on a canvas, painting it again only if something of it has changed. */
  lay(ctx: CanvasRenderingContext2D, view: WholeView) {
    if (!this.#painted || !same(this.#painted, view)) {
      this.#canvas = paint(this.#canvas ?? document.createElement("canvas"), view);
      // Letters painted before their font came are painted again.
      this.#painted = document.fonts.status === "loaded" ? view : null;
    }
    ctx.drawImage(this.#canvas!, 0, 0, view.width, view.height);
  }
}

function same(a: WholeView, b: WholeView): boolean {
  return (Object.keys(b) as (keyof WholeView)[]).every((key) => a[key] === b[key]);
}

type Shape = NonNullable<WholeView["drawn"]["picture"]["whole"]>["shape"];

const LIES: Record<Shape, [string, string]> = {
  hanging: ["as it", "hangs"], hung: ["as it", "hangs"], straight: ["laid along,", "its foot at the left"], wrap: ["as the", "ring lies"], rows: ["its rows", "side by side"], circle: ["on the circle of", "its finished length"],
};

/** liesAs says in two lines how the piece lies in the picture. */
function liesAs({ drawn }: WholeView): [string, string] {
  const { whole } = drawn.picture;
  if (whole?.neck) return [`as it hangs on a ${whole.neck.ofBody ? "" : "typical "}neck`, `of ${Math.round(whole.neck.girthMm)} mm, ${Math.round(whole.neck.depthMm)} mm deep`];
  return LIES[whole?.shape ?? "circle"];
}

function paint(canvas: HTMLCanvasElement, view: WholeView): HTMLCanvasElement {
  const { width, height, tone } = view;
  const ratio = Math.max(1, window.devicePixelRatio || 1);
  const [wide, high] = [Math.round(width * ratio), Math.round(height * ratio)];
  if (canvas.width !== wide || canvas.height !== high) {
    canvas.width = wide;
    canvas.height = high;
  }
  const ctx = canvas.getContext("2d")!;
  ctx.setTransform(ratio, 0, 0, ratio, 0, 0);
  layCloth(ctx, tone, width, height);
  drawWhole(ctx, view);
  ctx.fillStyle = cloths[tone].text;
  ctx.font = '12px "Figtree Variable", sans-serif';
  ctx.fillText("The whole piece", 18, 24);
  ctx.fillText(`true to scale, ${((fitWhole(view) * (view.lens?.zoom ?? 1)) / PX_PER_MM).toPrecision(2)} : 1`, 18, 40);
  liesAs(view).forEach((text, i) => ctx.fillText(text, 18, height - 28 + 16 * i));
  return canvas;
}
