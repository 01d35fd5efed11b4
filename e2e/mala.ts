import { expect, test as base, type Locator, type Page } from "@playwright/test";
import { execFileSync, spawn, type ChildProcess } from "node:child_process";
import { chmodSync, existsSync, mkdtempSync, readdirSync, readFileSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";

const BINARY = join(import.meta.dirname, "..", "bin", "mala");

/** Mala is the real binary with a PostgreSQL and a demo shop of its own. */
export class Mala {
  url = "";
  #process: ChildProcess | undefined;
  #folder: string;

  constructor() {
    this.#folder = mkdtempSync(join(existsSync("/dev/shm") ? "/dev/shm" : tmpdir(), "mala-e2e-"));
    chmodSync(this.#folder, 0o755);
  }

  /** start serves on a port; at first any below those that connections take, so that it is free again later. */
  async start(port = 20_000 + Math.floor(Math.random() * 12_000)): Promise<void> {
    const child = spawn(BINARY, ["demo", "--listen", `127.0.0.1:${port}`, "--data", this.#folder], { stdio: ["ignore", "pipe", "inherit"] });
    this.#process = child;
    this.url = await new Promise<string>((resolve, reject) => {
      let said = "";
      child.stdout!.on("data", (chunk: Buffer) => {
        said += chunk.toString();
        const ready = /ready at (\S+)/.exec(said);
        if (ready) resolve(ready[1]);
      });
      child.once("exit", (code) => reject(new Error(`mala ended with ${code}: ${said}`)));
    });
  }

  /** end ends the process by a signal and waits until it is gone. */
  async end(signal: NodeJS.Signals): Promise<void> {
    const child = this.#process;
    if (!child || child.exitCode !== null || child.signalCode !== null) return;
    const gone = new Promise((resolve) => child.once("exit", resolve));
    child.kill(signal);
    await gone;
  }

  /** again starts it again on the port it had. */
  again = () => this.start(Number(new URL(this.url).port));

  async remove(): Promise<void> {
    await this.end("SIGINT");
    rmSync(this.#folder, { recursive: true, force: true });
  }

  /** analyse runs the command line on a piece file. */
  analyse = (file: string) => JSON.parse(execFileSync(BINARY, ["analyse", file], { encoding: "utf8" }));
}

/** test has a Mala for each worker, and watches that the page says nothing wrong and calls no one else. */
export const test = base.extend<{ watched: string[] }, { mala: Mala }>({
  mala: [
    async ({}, use) => {
      const mala = new Mala();
      await mala.start();
      await use(mala);
      await mala.remove();
    },
    { scope: "worker", timeout: 60_000 },
  ],
  baseURL: async ({ mala }, use) => use(mala.url),
  watched: [
    async ({ page, mala }, use) => {
      const wrong: string[] = [];
      countRequests(page);
      page.on("pageerror", (err) => wrong.push(err.message));
      page.on("console", (message) => {
        if (message.type() === "error" && !message.text().startsWith("Failed to load resource")) wrong.push(message.text());
      });
      page.on("request", (request) => {
        if (/^(https?|wss?):/.test(request.url()) && !request.url().startsWith(mala.url)) wrong.push(`called ${request.url()}`);
      });
      await use(wrong);
      expect(wrong).toEqual([]);
    },
    { auto: true },
  ],
});

export { expect };

/** waiting counts the requests of each page that are not answered yet. */
const waiting = new WeakMap<Page, number>();

function countRequests(page: Page) {
  waiting.set(page, 0);
  const by = (n: number) => waiting.set(page, (waiting.get(page) ?? 0) + n);
  page.on("request", () => by(1));
  page.on("requestfinished", () => by(-1));
  page.on("requestfailed", () => by(-1));
}

/** ANSWERED_FOR is how long nothing may be asked for a view to be whole, in ms: what it asks it asks as it appears. */
const ANSWERED_FOR = 120;

/** answered waits until all that the view asks is answered. Unlike silence of the network it costs next to nothing. */
export async function answered(page: Page): Promise<void> {
  for (let quiet = 0; quiet < ANSWERED_FOR; ) {
    await page.waitForTimeout(ANSWERED_FOR / 4);
    quiet = (waiting.get(page) ?? 0) > 0 ? 0 : quiet + ANSWERED_FOR / 4;
  }
}

/** lookFor opens the list of pieces and searches for one. */
export async function lookFor(page: Page, name: string): Promise<void> {
  await page.goto("/pieces");
  await page.getByLabel("Search pieces").fill(name);
}

/** openPiece opens a piece of the shop and waits until it lies there. */
export async function openPiece(page: Page, name: string): Promise<void> {
  await lookFor(page, name);
  await page.getByRole("link", { name, exact: true }).click();
  await expect(strand(page)).toBeFocused();
}

let made = 0;

/** openCopy opens a piece of the shop as it comes, kept under a name of its own and in no stack, so that tests do not meet. */
export async function openCopy(page: Page, name: string): Promise<void> {
  const docs = readdirSync("demo/pieces").map((file) => JSON.parse(readFileSync(`demo/pieces/${file}`, "utf8")));
  const data = { ...docs.find((doc) => doc.name === name), name: `For one test ${made++}`, stack: undefined };
  const { id } = await (await page.request.post("/api/pieces", { data })).json();
  await page.goto(`/pieces/${id}`);
  await expect(strand(page)).toBeFocused();
}

/** startPiece starts a piece of its own, so that tests do not meet. */
export async function startPiece(page: Page, name: string, closure: "A clasp" | "Stretch" | "On a bar" = "A clasp", length = "450 mm"): Promise<void> {
  await page.goto("/pieces");
  await page.getByRole("button", { name: "New piece" }).click();
  await page.getByRole("button", { name: closure, exact: true }).click();
  await page.getByLabel("How long should it be, closed?").fill(length);
  await page.getByLabel("Name (optional)").fill(name);
  await page.getByRole("button", { name: "Create" }).click();
  await expect(strand(page)).toBeFocused();
}

/** problems opens the list of problems of the piece, if it is not open yet. */
export async function problems(page: Page): Promise<Locator> {
  const list = page.getByRole("region", { name: "Problems" });
  if (!(await list.isVisible())) await page.locator(".problems-line .counts").press("Enter");
  return list;
}

/** problem is one of them, by its title. */
export const problem = (page: Page, title: string): Locator => page.getByRole("region", { name: "Problems" }).getByRole("group", { name: title, exact: true });

/** more opens what is seldom needed of a piece. */
export async function more(page: Page, what: string): Promise<void> {
  await page.locator(".head").getByRole("button", { name: "More" }).press("Enter");
  await page.getByRole("menuitem", { name: what }).press("Enter");
}

/** shown changes how the felt is shown. */
export async function shown(page: Page, what: string): Promise<void> {
  await page.getByRole("toolbar").getByRole("button", { name: "View" }).press("Enter");
  const choice = page.locator(".menu-of-choices").getByText(what, { exact: true });
  await choice.click();
  if (await choice.isVisible()) await page.keyboard.press("Escape");
  await choice.waitFor({ state: "hidden" });
}

export const strand = (page: Page): Locator => page.getByRole("application");
export const line = (page: Page): Locator => page.getByRole("textbox", { name: "The bead line as text" });
export const finished = (page: Page): Locator => page.getByTestId("finished");
export const saved = (page: Page) => expect(page.locator(".save-state")).toHaveText("saved");
export const caret = (page: Page): Locator => page.getByTestId("at-caret");

export const searchCatalogue = (page: Page): Locator => page.getByRole("combobox", { name: "Search the catalogue" });

/** addDish adds a bead of the catalogue by keyboard. */
export async function addDish(page: Page, search: string): Promise<void> {
  await strand(page).press("+");
  await searchCatalogue(page).fill(search);
  await page.getByRole("option", { name: new RegExp(search.split(" ")[0], "i") }).first().waitFor();
  await page.keyboard.press("Enter");
  await expect(page.getByRole("dialog")).toHaveCount(0);
}

/** typeLine types a line in the place of the one there is, and waits until it is laid out. */
export async function typeLine(page: Page, text: string): Promise<void> {
  const laidOut = page.waitForResponse("**/api/analyse*", { timeout: 3000 }).catch(() => undefined);
  await line(page).fill(text);
  await laidOut;
  await line(page).press("Enter");
}

/** refusedInTheLine types lines that cannot be; each gets its reason and stays as it was typed. */
export async function refusedInTheLine(page: Page, lines: Record<string, string>): Promise<void> {
  for (const [text, says] of Object.entries(lines)) {
    await line(page).fill(text);
    await expect(page.getByRole("alert").first()).toContainText(says);
    await expect(line(page)).toHaveValue(text);
  }
}
