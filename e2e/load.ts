import { expect, test, type Page } from "@playwright/test";

const figure = (what: string, asked: string, found: string) => console.log(`figure | ${what} | ${asked} | ${found}`);

/** SCROLLED is how far the wheel is turned at a time, in px. */
const SCROLLED = 400;

/** watchPainting notes when the first bead is painted on a card. */
const watchPainting = (page: Page) =>
  page.addInitScript(() => {
    const draw = CanvasRenderingContext2D.prototype.drawImage as (...args: unknown[]) => void;
    CanvasRenderingContext2D.prototype.drawImage = function (this: CanvasRenderingContext2D, ...args: unknown[]) {
      if (!("painted" in window) && this.canvas.closest?.(".card")) requestAnimationFrame(() => Object.assign(window, { painted: performance.now() }));
      draw.apply(this, args);
    } as typeof CanvasRenderingContext2D.prototype.drawImage;
  });

/** painted waits for that, and gives when it was, in ms since the page was asked for. */
async function painted(page: Page): Promise<number> {
  await page.waitForFunction(() => "painted" in window);
  return page.evaluate(() => (window as unknown as { painted: number }).painted);
}

test("a shop of 5,000 pieces", async ({ page }) => {
  const calls: string[] = [];
  page.on("request", (r) => r.url().includes("/api/") && calls.push(r.url()));
  await watchPainting(page);
  await page.goto("/pieces");
  figure("the page of them: the first card with its picture", "1 s", `${((await painted(page)) / 1000).toFixed(2)} s`);

  // The wheel, turn by turn: how long each frame takes meanwhile.
  await page.mouse.move(700, 500);
  await page.evaluate(() => {
    const frames: number[] = [];
    let last = performance.now();
    const next = (now: number) => {
      frames.push(now - last);
      last = now;
      requestAnimationFrame(next);
    };
    requestAnimationFrame(next);
    Object.assign(window, { frames });
  });
  for (let i = 0; i < 100; i++) {
    await page.mouse.wheel(0, SCROLLED);
    await page.waitForTimeout(50);
  }
  const frames = (await page.evaluate(() => (window as unknown as { frames: number[] }).frames)).sort((a, b) => a - b);
  const cards = await page.getByRole("listitem").count();
  figure("scrolling through 500 of them: frames at p50 and p95; cards there at once; calls", "smooth", `${frames[frames.length >> 1].toFixed(0)} and ${frames[Math.floor(frames.length * 0.95)].toFixed(0)} ms; ${cards}; ${calls.length}`);

  const times: number[] = [];
  for (let n = 4000; n < 4020; n++) {
    const from = performance.now();
    await page.getByLabel("Search pieces").fill(`number ${n}`);
    await expect(page.getByRole("heading", { name: new RegExp(`number ${n}$`) })).toBeVisible();
    await expect(page.getByRole("listitem")).toHaveCount(1);
    times.push(performance.now() - from);
  }
  times.sort((a, b) => a - b);
  figure("a search typed there until its card is shown, p50 and p95", "", `${times[10].toFixed(0)} and ${times[18].toFixed(0)} ms`);

  await page.getByLabel("Search pieces").fill("");
  await page.getByRole("listitem").nth(3).waitFor();
  await page.evaluate(() => document.querySelector(".pieces")!.scrollTo(0, 1e9));
  await expect(page.getByRole("status").filter({ hasText: "5" })).toBeVisible();
  await page.getByRole("listitem").last().getByRole("link").waitFor();
});
