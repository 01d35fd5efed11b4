import { execFileSync, spawnSync } from "node:child_process";
import { mkdtempSync, readFileSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { unzipSync } from "fflate";
import type { Page } from "@playwright/test";
import { expect, test } from "./mala.ts";

const BINARY = join(import.meta.dirname, "..", "bin", "mala");
const room = mkdtempSync(join(tmpdir(), "mala-papers-"));

async function kitId(page: Page, name: string): Promise<string> {
  const list = await (await page.request.get(`/api/kits?search=${encodeURIComponent(name)}`)).json();
  return list.kits.find((k: { name: string }) => k.name === name).id;
}

/** paper gets a paper of a kit into a file. */
async function paper(page: Page, kit: string, what: string, query: string): Promise<string> {
  const answer = await page.request.get(`/api/kits/${await kitId(page, kit)}/papers/${what}?${query}`);
  expect(answer.status()).toBe(200);
  expect(answer.headers()["content-type"]).toBe("application/pdf");
  const file = join(room, `${what}-${Math.random().toString(36).slice(2)}.pdf`);
  writeFileSync(file, await answer.body());
  return file;
}

const textOf = (file: string) => execFileSync("pdftotext", ["-layout", file, "-"], { encoding: "utf8" });

test("papers say what the bag holds, carry their piece, and are verified on the command line", async ({ page }) => {
  await page.goto(`/kits/${await kitId(page, "Last Ferry")}`);
  await page.getByRole("link", { name: "Open the bag of 20 in, Bottle" }).click();
  const address = await page.getByRole("link", { name: "Packing list" }).getAttribute("href");
  expect(address).toContain("size=2&colourway=2&copies=10&sheet=A4&unit=mm");
  const packing = await paper(page, "Last Ferry", "packing", address!.split("?")[1]);
  const text = textOf(packing);
  expect(text).toMatch(/20 in, Bottle · 505\.3 mm/);
  expect(text).toMatch(/about 10\.8 g \(10\.3 to 11\.3\),\s+114\s+\+6\s+1200/);
  expect(text).toContain("Bag: For repairs");
  expect(text).toMatch(/version 1 · [A-Z2-7]{4}-[A-Z2-7]{4} · /);
  const attached = execFileSync("pdfdetach", ["-list", packing], { encoding: "utf8" });
  expect(attached).toContain("kit.json");
  expect(attached).toContain("piece-1.json");
  execFileSync("pdfdetach", ["-save", /(\d+): piece-1\.json/.exec(attached)![1], "-o", join(room, "piece.json"), packing]);
  const piece = JSON.parse(execFileSync(BINARY, ["analyse", join(room, "piece.json")], { encoding: "utf8" }));
  expect(piece.strands[0].line).toBe("<49P S T S 5P S T S 3P | L>");
  const found = JSON.parse(execFileSync(BINARY, ["verify", packing], { encoding: "utf8" }));
  expect(found).toMatchObject({ paper: "Packing list", kit: "Last Ferry", wrong: [] });
  expect(spawnSync(BINARY, ["verify", BINARY]).status).toBe(2);
});

test("a bar of 100 mm is 100.0 mm on the paper, A4 and Letter, and rows are drawn as long as they are", async ({ page }) => {
  for (const sheet of ["A4", "Letter"]) {
    const file = await paper(page, "Three evenings, the stack", "instructions", `sheet=${sheet}&unit=mm`);
    const info = execFileSync("pdfinfo", [file], { encoding: "utf8" });
    expect(info).toMatch(sheet === "A4" ? /595\.\d+ x 841\.\d+ pts \(A4\)/ : /612 x 792 pts \(letter\)/);
    expect(textOf(file)).toContain("This bar is 100 mm long");
    // A tenth of a millimetre is a pixel.
    execFileSync("pdftoppm", ["-r", "254", "-gray", "-f", "1", "-l", "1", "-singlefile", file, join(room, sheet)]);
    expect(Math.abs(longestDarkRun(readFileSync(join(room, `${sheet}.pgm`)), 450) - 1003)).toBeLessThanOrEqual(2); // its line is 0.3 mm wide, with round ends
  }
});

/** longestDarkRun is the longest row of dark pixels in the upper part of a picture. */
function longestDarkRun(pgm: Buffer, rows: number): number {
  const head = /^P5\s+(\d+)\s+(\d+)\s+255\s/.exec(pgm.subarray(0, 40).toString("latin1"))!;
  const width = Number(head[1]);
  let most = 0;
  for (let y = 0; y < rows; y++) {
    let run = 0;
    for (let x = 0; x < width; x++) {
      run = pgm[head[0].length + y * width + x] < 110 ? run + 1 : 0;
      most = Math.max(most, run);
    }
  }
  return most;
}

test("all papers of a kit come in one file, with progress, and can be cancelled", async ({ page }) => {
  await page.goto(`/kits/${await kitId(page, "Three evenings, the stack")}`);
  const download = page.waitForEvent("download");
  await page.getByRole("button", { name: "All papers" }).click();
  const file = await download;
  expect(file.suggestedFilename()).toBe("Three evenings, the stack, papers.zip");
  const files = unzipSync(readFileSync(await file.path()));
  expect(Object.keys(files)).toHaveLength(6);
  expect(Buffer.from(files["0-0-0 Labels.pdf"]).subarray(0, 5).toString()).toBe("%PDF-");
  await expect(page.getByText("6 papers are saved.")).toBeVisible();
  await page.goto(`/kits/${await kitId(page, "Last Ferry")}`);
  await page.route("**/papers/**", async (route) => {
    await new Promise((after) => setTimeout(after, 150));
    await route.continue();
  });
  await page.getByRole("button", { name: "All papers" }).click();
  await expect(page.getByText(/^[1-9]\d? of 72$/)).toBeVisible();
  await page.getByRole("button", { name: "Cancel" }).click();
  await expect(page.getByText("Cancelled. Nothing was saved.")).toBeVisible();
  await page.unrouteAll({ behavior: "ignoreErrors" });
});

test("pictures for a listing are saved in dots and in lines, and the bill as CSV", async ({ page }) => {
  await page.goto(`/kits/${await kitId(page, "Last Ferry")}/bag/0-1-3`);
  const saved = async (name: string) => {
    const download = page.waitForEvent("download");
    await page.getByRole("button", { name }).click();
    return readFileSync(await (await download).path());
  };
  await page.getByText("Pictures of Last Ferry").click();
  await expect(page.getByRole("button", { name: "Save as PNG" })).toBeEnabled();
  const png = await saved("Save as PNG");
  const size = (file: Buffer) => [file.readUInt32BE(16), file.readUInt32BE(20)];
  expect(Math.max(...size(png))).toBe(1600);
  await page.getByRole("button", { name: "Transparent" }).click();
  await page.getByRole("button", { name: "4x" }).click();
  const large = await saved("Save as PNG");
  expect(Math.max(...size(large))).toBe(3200);
  // Its corner is seen through, and its length lines say what those of the drawing in lines do.
  const corner = await page.evaluate(async (base64) => {
    const image = await createImageBitmap(new Blob([Uint8Array.from(atob(base64), (c) => c.charCodeAt(0))]));
    const ctx = Object.assign(document.createElement("canvas"), { width: 8, height: 8 }).getContext("2d")!;
    ctx.drawImage(image, 0, 0);
    return ctx.getImageData(2, 2, 1, 1).data[3];
  }, large.toString("base64"));
  expect(corner).toBe(0);
  const svg = (await saved("Save as SVG")).toString();
  expect(svg).toContain("<title>Last Ferry</title>");
  expect(svg).not.toContain("#dad4c5");
  expect(svg).not.toContain("<text");
  await page.getByRole("checkbox", { name: /with lines/ }).check();
  const lines = [...(await saved("Save as SVG")).toString().matchAll(/<text[^>]*>([\d.]+ mm)</g)].map((found) => found[1]!);
  expect(lines).toHaveLength(2);
  await page.evaluate(() => {
    const { fillText } = CanvasRenderingContext2D.prototype;
    CanvasRenderingContext2D.prototype.fillText = function (text, x, y) {
      document.body.dataset.written = `${document.body.dataset.written ?? ""}${text}|`;
      fillText.call(this, text, x, y);
    };
  });
  await page.getByRole("button", { name: "1x" }).click();
  await expect(page.locator("body")).toHaveAttribute("data-written", new RegExp(`${lines[0]}\\|${lines[1]}\\|`));
  await page.getByRole("button", { name: "First row, true size" }).click();
  const width = Number(/width="([\d.]+)mm"/.exec((await saved("Save as SVG")).toString())![1]);
  expect(width).toBeGreaterThan(432);
  expect(width).toBeLessThan(475);
  const csv = (await saved("Save the bill as CSV")).toString();
  expect(csv).toMatch(/\r\nBeads,P,Lamp-pearl round 4 mm,102,6,,1080\r\n/);
  expect(csv).toMatch(/\r\nsold for,[\d.]+\r\n$/);
});

test("papers that cannot be are refused in a sentence", async ({ page }) => {
  const id = await kitId(page, "Last Ferry");
  for (const [query, status, says] of [
    ["size=9", 422, "not sold in that size"],
    ["copies=0", 422, "1 to 10000 kits"],
    ["version=99", 404, "Not found"],
    ["sheet=A0", 422, ""],
  ] as const) {
    const answer = await page.request.get(`/api/kits/${id}/papers/packing?${query}`);
    expect(answer.status(), query).toBe(status);
    expect((await answer.json()).detail, query).toContain(says);
  }
  expect((await page.request.get(`/api/kits/${id}/papers/novel`)).status()).toBe(422);
  expect((await page.request.get("/api/techniques/flying.svg")).status()).toBe(404);
});
