import { test as base } from "@playwright/test";
import { expect, finished, line, Mala, saved, startPiece, strand, typeLine } from "./mala.ts";

/** These tests kill their server, so each has one of its own. */
const test = base.extend<{ own: Mala }>({
  own: async ({}, use) => {
    const own = new Mala();
    await own.start();
    await use(own);
    await own.remove();
  },
  baseURL: async ({ own }, use) => use(own.url),
});

test("with the server killed the line goes on taking what is typed, and sends it when it is back", async ({ page, own }) => {
  await startPiece(page, "Through the night");
  await typeLine(page, "12D");
  await saved(page);
  await own.end("SIGKILL");
  await typeLine(page, "33D");
  await expect(page.locator(".save-state")).toContainText("server unavailable");
  await expect(page.getByRole("alert").first()).toContainText("Server unavailable");
  await expect(line(page)).toHaveValue("33D");
  await own.again();
  await saved(page);
  await page.reload();
  await expect(line(page)).toHaveValue("33D");
  await expect(strand(page)).toBeFocused();
  await expect(finished(page)).toContainText("mm");
});

test("a second start keeps the data and is serving within 3 seconds", async ({ request, own }) => {
  const before = await (await request.get("/api/pieces")).json();
  await own.end("SIGINT");
  const began = Date.now();
  await own.again();
  const after = await (await request.get("/api/pieces")).json();
  expect(Date.now() - began).toBeLessThan(3000);
  expect(after).toEqual(before);
});

test("a save that fails, or whose answer is lost, is tried again, and what came meanwhile goes out behind it", async ({ page }) => {
  await startPiece(page, "Tried again");
  await saved(page);
  let answers: ("fails" | "lost" | "whole")[] = ["fails"];
  await page.route("**/api/pieces/*", async (route) => {
    if (route.request().method() !== "PUT") return route.continue();
    const answer = answers.shift() ?? "whole";
    if (answer === "fails") return route.fulfill({ status: 500, contentType: "application/problem+json", body: JSON.stringify({ title: "Something went wrong", status: 500, detail: "Something went wrong on the server." }) });
    if (answer === "lost") {
      await route.fetch(); // it is saved, and no one hears of it
      return route.abort("connectionreset");
    }
    return route.continue();
  });
  await typeLine(page, "11D");
  await expect(page.locator(".save-state")).toHaveText("not saved: the server has a fault, trying again");
  await saved(page);
  answers = ["lost"];
  await typeLine(page, "22D");
  await expect(page.locator(".save-state")).toHaveText("not saved: server unavailable");
  await typeLine(page, "33D");
  await saved(page);
  await page.reload();
  await expect(line(page)).toHaveValue("33D");
});

test("a piece that is left while saving is blocked, and opened again, is saved once and makes no copy", async ({ page }) => {
  await startPiece(page, "Left and opened");
  await saved(page);
  const at = page.url();
  let blocked = true;
  await page.route("**/api/pieces/*", (route) => (blocked && route.request().method() === "PUT" ? route.abort("connectionreset") : route.continue()));
  await typeLine(page, "17D");
  await expect(page.locator(".save-state")).toContainText("server unavailable");
  await page.getByRole("link", { name: "Pieces" }).click();
  await page.getByRole("link", { name: /Left and opened/ }).first().click();
  await expect(line(page)).toHaveValue("17D");
  await typeLine(page, "18D");
  blocked = false;
  await saved(page);
  await page.waitForTimeout(6000); // as long as a draft that was left would have waited to try again
  const id = at.split("/").at(-1);
  const piece = await (await page.request.get(`/api/pieces/${id}`)).json();
  expect(piece.document.sections[0].rows[0].line).toBe("18D");
  expect(await (await page.request.get(`/api/pieces/${id}/versions`)).text()).not.toContain("set aside");
  await expect(page.getByText(/changed elsewhere/)).toHaveCount(0);
});

test("a part of the page that is gone after an update says so inside the rail, and a reload goes on", async ({ page }) => {
  await page.goto("/pieces");
  await page.getByRole("listitem").first().getByRole("link").first().waitFor();
  await page.route("**/assets/KitsRoom*.js", (route) => route.fulfill({ status: 404, body: "Not found." }));
  await page.getByRole("link", { name: "Kits" }).click();
  await expect(page.getByRole("heading", { name: "Mala was renewed" })).toBeVisible();
  await expect(page.getByRole("navigation", { name: "Rooms" })).toBeVisible();
  await page.unroute("**/assets/KitsRoom*.js");
  await page.getByRole("button", { name: "Reload" }).click();
  await expect(page.getByRole("heading", { name: "Kits" })).toBeVisible();
});

test("two windows on one piece, both cut off and closed, keep both", async ({ page, context }) => {
  await startPiece(page, "Two windows");
  await typeLine(page, "10D");
  await saved(page);
  const at = page.url();
  let cut = true;
  await context.route("**/api/pieces/*", (route) => (cut && route.request().method() === "PUT" ? route.abort("connectionreset") : route.continue()));
  const second = await context.newPage();
  await second.goto(at);
  for (const [window, text] of [[page, "21D"], [second, "32D"]] as const) {
    await typeLine(window, text);
    await expect(window.locator(".save-state")).toContainText("server unavailable");
  }
  // Loaded again, each goes on with its own.
  page.on("dialog", (dialog) => void dialog.accept());
  second.on("dialog", (dialog) => void dialog.accept());
  await page.reload();
  await expect(line(page)).toHaveValue("21D");
  await second.close();
  await page.goto("about:blank");
  cut = false;
  const later = await context.newPage();
  await later.goto(at);
  await saved(later);
  const kept = await line(later).inputValue();
  expect(["21D", "32D"]).toContain(kept);
  await expect(later.getByText(/They are kept as version \d+/)).toBeVisible();
  await later.getByRole("link", { name: "History" }).click();
  await later.getByRole("button", { name: /conflict copy/ }).click();
  const other = kept === "21D" ? "32" : "21";
  await expect(later.getByRole("region", { name: "Comparison" })).toContainText(other);
});
