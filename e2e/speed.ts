import { readdirSync, readFileSync } from "node:fs";
import type { Page } from "@playwright/test";
import type { Document as Doc } from "../web/src/api/client.ts";
import { gzipSync } from "node:zlib";
import { expect, Mala, startPiece, strand, test, typeLine } from "./mala.ts";

/** at gives the value that the given share of all stays below. */
function at(values: number[], share: number): number {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))];
}

const report = (what: string, found: string) => console.log(`speed | ${what} | ${found}`);

/** times measures this many calls one after the other, in ms. */
async function times(n: number, call: () => Promise<unknown>): Promise<number[]> {
  const out: number[] = [];
  for (let i = 0; i < n; i++) {
    const from = performance.now();
    await call();
    out.push(performance.now() - from);
  }
  return out;
}

/** reportApi holds the analysis of a piece without findings against a health call that asks the database. */
async function reportApi(mala: Mala, what: string, brief: boolean, change: (doc: Doc) => void) {
  const doc = JSON.parse(readFileSync("demo/pieces/harbour-lights.json", "utf8")) as Doc;
  change(doc);
  // Weighed, so long a strand would be too heavy for its ring, and its sails would tip
  // over at the sides; checks that fire are measured apart.
  for (const m of doc.materials) {
    delete m.massG;
    delete m.facing;
  }
  const body = JSON.stringify(doc);
  const analyse = async () => (await fetch(`${mala.url}/api/analyse${brief ? "?brief=true" : ""}`, { method: "POST", headers: { "Content-Type": "application/json" }, body })).text();
  const health = async () => (await fetch(`${mala.url}/api/health`)).text();
  expect((JSON.parse(await analyse()) as { checks: unknown[] }).checks).toEqual([]);
  await times(100, analyse);
  await times(100, health);
  const [answer, ping] = [await times(400, analyse), await times(400, health)];
  report(`API, ${what}, p95 over health p95`, `${(at(answer, 0.95) / at(ping, 0.95)).toFixed(1)} times (${at(answer, 0.95).toFixed(2)} ms over ${at(ping, 0.95).toFixed(2)} ms)`);
}

test("the API for 600 beads over a health call that asks the database", async ({ mala }) => {
  await reportApi(mala, "600 beads", false, (doc) => {
    doc.sections[0].rows![0].line = "<6(40P B L S A P C E ~C 2S) | E>";
    doc.target = { finishedMm: 2620, toleranceMm: 400 };
  });
});

test("the API for three rows of 200 beads over that health call", async ({ mala }) => {
  await reportApi(mala, "3 rows of 200 beads", true, (doc) => {
    const [first] = doc.sections[0].rows!;
    const rows = ["<100P | B>", "<103P | B>", "<106P | B>"].map((line, i) => {
      const own = (list: typeof first.left) => list!.map((fitting) => ({ ...fitting, id: `${fitting.id}-${i}` }));
      return { ...first, id: `r${i}`, line, left: own(first.left), right: own(first.right), ...(i > 0 && { follow: "longer" as const, followMm: 24 }) };
    });
    doc.sections[0].rows = rows;
    doc.target = { finishedMm: 812, toleranceMm: 8 };
  });
});

/** reportKeys types and moves in the strand that has the keyboard, and tells what each key took. */
async function reportKeys(page: Page, what: string) {
  await strand(page).focus();
  const found = await page.evaluate(async () => {
    const felt = document.querySelector<HTMLCanvasElement>(".felt-close")!;
    const figure = document.querySelector("[data-testid=finished]")!;
    const frame = () => new Promise<void>((resolve) => requestAnimationFrame(() => setTimeout(resolve, 0)));
    const [drawn, figures, moved]: number[][] = [[], [], []];
    for (let i = 0; i < 60; i++) {
      const before = figure.textContent;
      const from = performance.now();
      felt.dispatchEvent(new KeyboardEvent("keydown", { key: i % 2 ? "Backspace" : "d", bubbles: true }));
      await new Promise<void>((resolve) => {
        const watch = new MutationObserver(() => {
          if (figure.textContent === before) return;
          watch.disconnect();
          resolve();
        });
        watch.observe(figure, { subtree: true, characterData: true, childList: true });
      });
      figures.push(performance.now() - from);
      await frame();
      drawn.push(performance.now() - from);
      await new Promise((resolve) => setTimeout(resolve, 60));
    }
    for (let i = 0; i < 60; i++) {
      const from = performance.now();
      felt.dispatchEvent(new KeyboardEvent("keydown", { key: "ArrowRight", bubbles: true }));
      await frame();
      moved.push(performance.now() - from);
    }
    return { drawn: drawn.slice(10), figures: figures.slice(10), moved };
  });
  report(`key to figures, ${what}, p95`, `${at(found.figures, 0.95).toFixed(0)} ms`);
  report(`key to redrawn felt, ${what}, p95`, `${at(found.drawn, 0.95).toFixed(0)} ms`);
  report(`caret key to redrawn felt, ${what}, p95`, `${at(found.moved, 0.95).toFixed(0)} ms`);
}

test("key to redrawn felt and to figures for 1,000 beads", async ({ page }) => {
  await startPiece(page, "Speed", "A clasp", "4380 mm");
  await typeLine(page, "<10(50D) | D>");
  await expect(page.getByText("1001 beads", { exact: true })).toBeVisible();
  await reportKeys(page, "1,000 beads");
});

test("key to redrawn felt and to figures for three rows of 200 beads", async ({ page }) => {
  await startPiece(page, "Speed of rows", "A clasp", "880 mm");
  await typeLine(page, "<100D | D>");
  for (let i = 0; i < 2; i++) await page.getByRole("button", { name: "Add row" }).click();
  await expect(page.getByText("603 beads", { exact: true })).toBeVisible();
  await reportKeys(page, "3 rows of 200 beads");
});

test("a plain page of the same canvas, for comparison", async ({ page }) => {
  await page.setContent('<canvas width="700" height="466"></canvas><p></p>');
  const found = await page.evaluate(async () => {
    const canvas = document.querySelector("canvas")!;
    const ctx = canvas.getContext("2d")!;
    canvas.addEventListener("keydown", () => {
      ctx.clearRect(0, 0, canvas.width, canvas.height);
      for (let i = 0; i < 1000; i++) {
        ctx.fillStyle = `hsl(${(i * 37) % 360} 50% 50%)`;
        ctx.beginPath();
        ctx.arc((i % 50) * 14, Math.floor(i / 50) * 23, 6, 0, 7);
        ctx.fill();
      }
      document.querySelector("p")!.textContent = `${Math.random()}`;
    });
    const drawn: number[] = [];
    for (let i = 0; i < 60; i++) {
      const from = performance.now();
      canvas.dispatchEvent(new KeyboardEvent("keydown", { key: "d" }));
      await new Promise<void>((resolve) => requestAnimationFrame(() => setTimeout(resolve, 0)));
      drawn.push(performance.now() - from);
      await new Promise((resolve) => setTimeout(resolve, 60));
    }
    return drawn.slice(10);
  });
  report("key to redrawn canvas of a plain page, 1,000 discs, p95", `${at(found, 0.95).toFixed(0)} ms`);
});

test("JavaScript of the first view, and the start of the binary", async ({ page }) => {
  const scripts = new Set<string>();
  page.on("response", (r) => {
    if (r.url().endsWith(".js")) scripts.add(new URL(r.url()).pathname);
  });
  await page.goto("/pieces");
  await page.getByRole("link", { name: "Harbour Lights", exact: true }).waitFor();
  const files = readdirSync("web/dist/page/assets").filter((f) => scripts.has(`/assets/${f}`));
  const bytes = files.reduce((sum, f) => sum + gzipSync(readFileSync(`web/dist/page/assets/${f}`)).length, 0);
  report("JavaScript of the first view, gzipped", `${(bytes / 1000).toFixed(0)} kB`);
  const own = new Mala();
  await own.start();
  await own.end("SIGINT");
  const from = performance.now();
  await own.again();
  await (await fetch(`${own.url}/api/health`)).text();
  report("start of the binary to its first answer, with data", `${((performance.now() - from) / 1000).toFixed(2)} s`);
  await own.remove();
});
