import type { Material, Outline } from "../../api/client.ts";
import { isLoop } from "../../api/piece.ts";
import { drawBead, hangsBelow } from "./bead.ts";
import { widthOfCharm } from "./charm.ts";
import { boxOf, drawComponent } from "./component.ts";

interface Sprite {
  image: HTMLCanvasElement;
  /** Where the bead's middle lies in the image, in CSS px, and the image's size. */
  x: number;
  y: number;
  width: number;
  height: number;
}

/** SPINS is how many turns round the cord a coil is painted in. */
const SPINS = 24;

/**
 * Sprites keeps each bead painted once per size, so that a strand of a thousand
 * beads is a thousand copies and not a thousand paintings.
 */
export class Sprites {
  #kept = new Map<string, Sprite>();
  #names = new WeakMap<Material, number>();
  #named = 0;

  /** draw copies a bead or a component round the origin of ctx, px to the mm; a coil turned so far round its cord. */
  draw(ctx: CanvasRenderingContext2D, m: Material, outline: Outline, px: number, turned: boolean, spin?: number) {
    const s = this.#sprite(m, outline, px, turned, spin);
    ctx.drawImage(s.image, -s.x, -s.y, s.width, s.height);
  }

  /** A material is changed by putting another in its place, so the object stands for what it looks like. */
  #name(m: Material): number {
    const known = this.#names.get(m);
    if (known !== undefined) return known;
    this.#names.set(m, ++this.#named);
    return this.#named;
  }

  #sprite(m: Material, outline: Outline, px: number, turned: boolean, spin?: number): Sprite {
    const step = spin === undefined ? undefined : Math.round((spin / (2 * Math.PI)) * SPINS) % SPINS;
    const ratio = Math.max(1, globalThis.devicePixelRatio || 1);
    const key = `${this.#name(m)}|${ratio}|${px.toFixed(3)}|${turned}|${step}|${outline.seats?.length}`;
    const kept = this.#kept.get(key);
    if (kept) return kept;
    if (this.#kept.size > 600) this.#kept.clear();
    const box = boxOf(outline);
    const wide = Math.max(-box.left, box.right, m.shape === "charm" ? widthOfCharm(m) / 2 : 0);
    const reach = Math.max(wide, ...outline.left.map((p) => p[1]), ...outline.right.map((p) => p[1]), ...outline.left.map((p) => -p[1])) * px + 2;
    const up = Math.max(outline.left[outline.left.length - 1][0], m.dropMm ?? 0, -box.top, box.bottom) * px + hangsBelow(m) * px + 2;
    const image = document.createElement("canvas");
    image.width = Math.ceil(2 * reach * ratio);
    image.height = Math.ceil(2 * up * ratio);
    const paint = image.getContext("2d")!;
    paint.scale(ratio, ratio);
    paint.translate(reach, up);
    if (turned && isLoop(m.id)) paint.scale(-1, 1);
    if (outline.seats) drawComponent(paint, m, outline, { px, spin: step === undefined ? undefined : (step / SPINS) * 2 * Math.PI });
    else drawBead(paint, m, outline, px, turned);
    const sprite = { image, x: reach, y: up, width: image.width / ratio, height: image.height / ratio };
    this.#kept.set(key, sprite);
    return sprite;
  }
}

export const sprites = new Sprites();
