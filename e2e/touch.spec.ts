import { readdirSync, readFileSync } from "node:fs";
import type { Analysis } from "../web/src/api/client.ts";
import { expect, openPiece, strand, test } from "./mala.ts";

/** reach is how far the faces of two neighbours, as drawn, push them apart. */
function reach(right: number[][], left: number[][]): number {
  const at = (face: number[][], r: number) => {
    const i = face.findIndex((p) => p[0] >= r - 1e-9);
    if (i <= 0) return face[Math.max(0, i)][1];
    const [a, b] = [face[i - 1], face[i]];
    return a[1] + ((b[1] - a[1]) * (r - a[0])) / (b[0] - a[0] || 1);
  };
  const from = Math.max(right[0][0], left[0][0]);
  const to = Math.min(right[right.length - 1][0], left[left.length - 1][0]);
  let most = -Infinity;
  for (let i = 0; i <= 200; i++) most = Math.max(most, at(right, from + ((to - from) * i) / 200) + at(left, from + ((to - from) * i) / 200));
  return most;
}

test("neighbours drawn from their outlines touch without gap or overlap, in every piece of the shop", async ({ request }) => {
  for (const file of readdirSync("demo/pieces")) {
    const doc = JSON.parse(readFileSync(`demo/pieces/${file}`, "utf8"));
    if (doc.sections[0].rows[0].lacing) continue; // flats lie side by side, and are drawn from the front
    const analysis: Analysis = await (await request.post("/api/analyse", { data: doc })).json();
    const outlines = analysis.drawing!.outlines;
    const { placed } = analysis.strands[0];
    for (let i = 1; i < placed.length; i++) {
      const [a, b] = [placed[i - 1], placed[i]];
      if ([a, b].some(({ material }) => !outlines[material])) continue; // bare cord
      // What hangs stands between its neighbours by how thick the cord is in its ring: not by an outline of its own.
      if ([a, b].some(({ material }) => outlines[material].seats && outlines[material].left[0][0] === 0)) continue;
      // The cord of a loop stands between its bead and the next.
      if ([a, b].some(({ key }) => key.includes("["))) continue;
      // A hole off the middle is met on the heavier side, which an outline from the front does not show.
      if ([a, b].some(({ material }) => doc.materials.find((m: { id: string; holeOffMm?: number }) => m.id === material)?.holeOffMm)) continue;
      const right = a.turned ? outlines[a.material].left : outlines[a.material].right;
      const left = b.turned ? outlines[b.material].right : outlines[b.material].left;
      if (Math.max(right[0][0], left[0][0]) > Math.min(right[right.length - 1][0], left[left.length - 1][0])) continue;
      // Apart by more than a hundredth only where another bead already stands between, as under caps mouth to mouth.
      const gap = b.atMm - a.atMm - reach(right, left);
      expect(gap, `${file}: bead ${i} overlaps bead ${i + 1}`).toBeGreaterThan(-0.01);
      if (placed[i - 2] === undefined || Math.abs(gap) < 0.01) continue;
      expect(["cap"], `${file}: a gap of ${gap} behind bead ${i}`).toContain(doc.materials.find((m: { id: string }) => m.id === a.material).shape);
    }
  }
});

test("on the felt no cloth shows between two beads that touch", async ({ page }) => {
  await openPiece(page, "Ferry Bell");
  const shown = await strand(page).evaluate((el) => {
    const canvas = el as HTMLCanvasElement;
    const ratio = canvas.width / canvas.clientWidth;
    const ctx = canvas.getContext("2d")!;
    const axis = Math.round((30 + (canvas.clientHeight - 30) / 2) * ratio);
    return [...ctx.getImageData(0, axis - 1, canvas.width, 1).data];
  });
  const [px, left] = await strand(page).evaluate((el) => [Number(el.dataset.px), Number(el.dataset.left)]);
  const ratio = shown.length / 4 / (await strand(page).evaluate((el) => el.clientWidth));
  // The first five beads of this strand end here; the cloth is light and the beads are not.
  const cloth = [218, 212, 197];
  for (let mm = 1; mm < 30; mm += 0.1) {
    const i = Math.round((mm - left) * px * ratio) * 4;
    const off = Math.abs(shown[i] - cloth[0]) + Math.abs(shown[i + 1] - cloth[1]) + Math.abs(shown[i + 2] - cloth[2]);
    expect(off, `at ${mm.toFixed(1)} mm`).toBeGreaterThan(24);
  }
});
