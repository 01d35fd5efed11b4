import type { Material, Outline } from "../../api/client.ts";
import { drawBead } from "./bead.ts";
import { widthOfCharm } from "./charm.ts";

interface Sprite {
  image: HTMLCanvasElement;
  /** Where the bead's middle lies in the image, in CSS px, and the image's size. */
  x: number;
  y: number;
  width: number;
  height: number;
}

/**
 * Sprites keeps each bead painted once per size, so that a strand of a thousand
 * beads is a thousand copies and not a thousand paintings.
 */
export class Sprites {
  #kept = new Map<string, Sprite>();
  #names = new WeakMap<Material, number>();
  #named = 0;
  #ratio = Math.max(1, window.devicePixelRatio || 1);

  /** draw copies a bead round the origin of ctx, px to the mm. */
  draw(ctx: CanvasRenderingContext2D, m: Material, outline: Outline, px: number, turned: boolean) {
    const s = this.#sprite(m, outline, px, turned);
    ctx.drawImage(s.image, -s.x, -s.y, s.width, s.height);
  }

  /** A material is changed by putting another in its place, so the object stands for what it looks like. */
  #name(m: Material): number {
    const known = this.#names.get(m);
    if (known !== undefined) return known;
    this.#names.set(m, ++this.#named);
    return this.#named;
  }

  #sprite(m: Material, outline: Outline, px: number, turned: boolean): Sprite {
    const key = `${this.#name(m)}|${px.toFixed(3)}|${turned}`;
    const kept = this.#kept.get(key);
    if (kept) return kept;
    if (this.#kept.size > 600) this.#kept.clear();
    const wide = m.shape === "charm" ? widthOfCharm(m) / 2 : 0;
    const reach = Math.max(wide, ...outline.left.map((p) => p[1]), ...outline.right.map((p) => p[1]), ...outline.left.map((p) => -p[1])) * px + 2;
    const up = Math.max(outline.left[outline.left.length - 1][0], m.dropMm ?? 0) * px + 2;
    const image = document.createElement("canvas");
    image.width = Math.ceil(2 * reach * this.#ratio);
    image.height = Math.ceil(2 * up * this.#ratio);
    const paint = image.getContext("2d")!;
    paint.scale(this.#ratio, this.#ratio);
    paint.translate(reach, up);
    drawBead(paint, m, outline, px, turned);
    const sprite = { image, x: reach, y: up, width: image.width / this.#ratio, height: image.height / this.#ratio };
    this.#kept.set(key, sprite);
    return sprite;
  }
}

export const sprites = new Sprites();
