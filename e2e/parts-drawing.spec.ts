import { readFileSync } from "node:fs";
import { expect, test } from "@playwright/test";
import type { Analysis, Buying, Document } from "../web/src/api/client.ts";
import { opened } from "../web/src/api/opened.ts";
import { isGap } from "../web/src/api/piece.ts";
import { drawCloseUp, lanesOf, type CloseUpView } from "../web/src/draw/drawCloseUp.ts";
import { drawWhole, fitWhole } from "../web/src/draw/drawWhole.ts";
import { csvOf } from "../web/src/sheets/csv.ts";
import { apply } from "./calls.ts";
import { Mala } from "./mala.ts";

// What the page draws and writes of a piece, on a canvas that only keeps what was drawn.
let mala: Mala;
test.beforeAll(async () => {
  mala = new Mala();
  await mala.start();
  const all = globalThis as { document?: unknown; Path2D?: unknown };
  all.document = { createElement: () => new Canvas() };
  all.Path2D = class {
    constructor() {
      return new Canvas().getContext();
    }
  };
});
test.afterAll(() => mala.remove());

type Matrix = [number, number, number, number, number, number];

/** Canvas keeps where images were put, in its own pixels, and every figure it was given that is none. */
class Canvas {
  width = 100;
  height = 100;
  images: { x: number; y: number; width: number; height: number }[] = [];
  bad: string[] = [];
  texts: string[] = [];
  #now: Matrix = [1, 0, 0, 1, 0, 0];
  #kept: Matrix[] = [];

  getContext(): CanvasRenderingContext2D {
    const multiply = ([a, b, c, d, e, f]: Matrix) => {
      const [A, B, C, D, E, F] = this.#now;
      this.#now = [A * a + C * b, B * a + D * b, A * c + C * d, B * c + D * d, A * e + C * f + E, B * e + D * f + F];
    };
    const does: Record<string, (...args: number[]) => unknown> = {
      save: () => this.#kept.push([...this.#now]),
      restore: () => void (this.#now = this.#kept.pop() ?? this.#now),
      translate: (x, y) => multiply([1, 0, 0, 1, x, y]),
      scale: (x, y) => multiply([x, 0, 0, y, 0, 0]),
      rotate: (r) => multiply([Math.cos(r), Math.sin(r), -Math.sin(r), Math.cos(r), 0, 0]),
      setTransform: (...m) => void (this.#now = m as Matrix),
      transform: (...m) => multiply(m as Matrix),
      drawImage: (_, x, y, width, height) => {
        const [a, b, c, d, e, f] = this.#now;
        const [mx, my] = [x + (width ?? 0) / 2, y + (height ?? 0) / 2];
        this.images.push({ x: a * mx + c * my + e, y: b * mx + d * my + f, width: width ?? 0, height: height ?? 0 });
      },
      measureText: () => ({ width: 10 }),
      fillText: (text) => void this.texts.push(String(text)),
      createLinearGradient: () => ({ addColorStop: () => undefined }),
      createRadialGradient: () => ({ addColorStop: () => undefined }),
      createPattern: () => ({}),
      getImageData: () => ({ data: new Uint8ClampedArray(4 * this.width * this.height) }),
      createImageData: (width, height) => ({ data: new Uint8ClampedArray(4 * width * height), width, height }),
      getTransform: () => ({ a: this.#now[0], b: this.#now[1], c: this.#now[2], d: this.#now[3], e: this.#now[4], f: this.#now[5] }),
    };
    const known = { canvas: this } as Record<string, unknown>;
    return new Proxy(known, {
      get: (of, name: string) =>
        name in of
          ? of[name]
          : (...args: number[]) => {
              for (const arg of args) if (typeof arg === "number" && !Number.isFinite(arg)) this.bad.push(`${name}(${args.join(", ")})`);
              return does[name]?.(...args);
            },
      set: (of, name: string, value) => {
        if (typeof value === "number" && !Number.isFinite(value)) this.bad.push(`${name} = ${value}`);
        of[name] = value;
        return true;
      },
    }) as unknown as CanvasRenderingContext2D;
  }
}

/** A piece of every structure. */
const PIECES = ["harbour-lights", "quay-lanterns", "moored-twice", "three-moorings", "strait-lamp", "cleat-hitch", "deckhand-loop", "dawn-bar", "fringe-of-foam", "last-ferry"].map((name) => `${name}.json`);
const FEW = PIECES.filter((_, i) => i % 3 === 0);
const post = async <T>(path: string, body: unknown) => (await (await fetch(`${mala.url}${path}`, { method: "POST", headers: { "Content-Type": "application/json" }, body: JSON.stringify(body) })).json()) as T;

async function worked(file: string): Promise<{ doc: Document; analysis: Analysis }> {
  const doc = await apply(mala, JSON.parse(readFileSync(`demo/pieces/${file}`, "utf8")));
  return { doc, analysis: opened(await post<Parameters<typeof opened>[0]>("/api/analyse", doc)) };
}

test("the close-up puts every bead where it lies, whatever its row", async () => {
  for (const file of PIECES) {
    const { doc, analysis } = await worked(file);
    const row = analysis.strands[0].id;
    const longest = Math.max(...analysis.strands.map((s) => s.strungMm)) + 60;
    const canvas = new Canvas();
    const view: CloseUpView = {
      analysis, doc, row, align: "left", width: 2 * longest, height: 30 + 60 * analysis.strands.length, tone: "light", unit: "mm", px: 2, leftMm: -30,
      fromCentre: false, letters: false, selection: { from: 0, to: 0 }, handle: false, dropGap: null, pending: "", focused: false,
    };
    drawCloseUp(canvas.getContext(), view);
    expect(canvas.bad, file).toEqual([]);
    const lanes = lanesOf(view);
    expect(lanes, file).toHaveLength(analysis.strands.length);
    for (const [i, lane] of lanes.entries()) {
      if (i > 0) expect(lane.top, `${file}: lanes lie under one another`).toBeCloseTo(lanes[i - 1].top + lanes[i - 1].height, 6);
      if (doc.sections.some((s) => s.rows?.some((r) => r.lacing))) continue; // flats are drawn by their faces
      const here = canvas.images.filter((at) => at.y >= lane.top - 60 && at.y <= lane.top + lane.height + 60);
      for (const b of lane.strand.placed) {
        if (isGap(b.key) || !b.material) continue;
        const x = (b.atMm + 30) * 2;
        expect(here.some((at) => Math.abs(at.x - x) < 0.6), `${file}, ${lane.strand.id}: no bead is drawn at ${b.atMm} mm`).toBe(true);
      }
    }
  }
});

test("the whole piece is drawn inside of its frame", async () => {
  for (const file of FEW) {
    const { doc, analysis } = await worked(file);
    const picture = await post<NonNullable<Parameters<typeof drawWhole>[1]["drawn"]["picture"]>>("/api/picture", doc);
    const view = { drawn: { analysis, doc, picture }, width: 900, height: 600, tone: "light" as const };
    const canvas = new Canvas();
    drawWhole(canvas.getContext(), view);
    expect(canvas.bad, file).toEqual([]);
    expect(fitWhole(view), file).toBeGreaterThan(0);
    for (const at of canvas.images) {
      expect(at.x, file).toBeGreaterThan(-60);
      expect(at.x, file).toBeLessThan(960);
      expect(at.y, file).toBeGreaterThan(-60);
      expect(at.y, file).toBeLessThan(660);
    }
  }
});

test("a list of what to buy as CSV says what the list says", async () => {
  const { doc } = await worked("harbour-lights.json");
  const buying = await post<Buying>("/api/buy", { document: doc, copies: 3 });
  const rows = csvOf({ ...buying, needs: buying.needs.map((n, i) => (i === 0 ? { ...n, name: '=SUM(1), "round"' } : n)) }).split("\r\n").map(cells);
  const packs = rows.slice(1, 1 + buying.packs.length);
  expect(packs.map((r) => [r[0], Number(r[6]), r[8]])).toEqual(buying.packs.map((p) => [p.name, p.n, p.sum]));
  expect(rows[1 + buying.packs.length][8]).toBe(buying.bought);
  const needs = rows.slice(rows.findIndex((r) => r[0] === "material") + 1, -1);
  expect(needs.map((r) => r[1])).toEqual(buying.needs.map((n) => (n.count === undefined ? "" : String(n.count))));
  expect(needs[0][0], "what a spreadsheet would work out stays text").toBe(`'=SUM(1), "round"`);
});

/** cells parts a line of a CSV. */
function cells(line: string): string[] {
  const out: string[] = [];
  for (let rest = line; ; ) {
    const quoted = /^"((?:[^"]|"")*)"(?:,|$)/.exec(rest);
    const plain = /^([^,]*)(?:,|$)/.exec(rest)!;
    const [all, text] = quoted ?? plain;
    out.push(quoted ? text.replaceAll('""', '"') : text);
    rest = rest.slice(all.length);
    if (rest === "" && !all.endsWith(",")) return out;
    if (rest === "") return [...out, ""];
  }
}
