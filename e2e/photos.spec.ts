import type { Page } from "@playwright/test";
import { expect, openPiece, test } from "./mala.ts";

/** picture paints a photograph: a round of one colour on felt of another. */
async function picture(page: Page, colour: string): Promise<{ name: string; mimeType: string; buffer: Buffer }> {
  const data = await page.evaluate((colour) => {
    const canvas = Object.assign(document.createElement("canvas"), { width: 640, height: 420 });
    const ctx = canvas.getContext("2d")!;
    ctx.fillStyle = "#d8cfbd";
    ctx.fillRect(0, 0, 640, 420);
    ctx.fillStyle = colour;
    ctx.beginPath();
    ctx.arc(320, 210, 150, 0, 7);
    ctx.fill();
    return canvas.toDataURL("image/jpeg").split(",")[1]!;
  }, colour);
  return { name: "bench.jpg", mimeType: "image/jpeg", buffer: Buffer.from(data, "base64") };
}

test("photographs of a piece are added, ordered, removed and brought back, and its card shows the cover", async ({ page }) => {
  await openPiece(page, "Ferry Bell");
  await page.getByRole("link", { name: "Decide" }).click();
  const photos = page.getByRole("region", { name: "Photographs of Ferry Bell" });
  await photos.getByTestId("photo-files").setInputFiles([await picture(page, "#a02030"), await picture(page, "#2060a0")]);
  const all = photos.getByRole("button", { name: /show it large/ });
  await expect(all).toHaveCount(2);
  const second = (await all.nth(1).locator("img").getAttribute("src"))!;

  await photos.getByRole("button", { name: "Photograph 2: move or remove" }).click();
  await page.getByRole("menuitem", { name: "Make it the cover" }).click();
  await expect(all.first().locator("img")).toHaveAttribute("src", second);

  await photos.getByRole("button", { name: "Photograph 1: move or remove" }).click();
  await page.getByRole("menuitem", { name: "Remove" }).click();
  await expect(all).toHaveCount(1);
  await photos.getByRole("button", { name: "Undo" }).click();
  await expect(all.first().locator("img")).toHaveAttribute("src", second);

  await all.first().click();
  await expect(page.getByRole("dialog").getByRole("img")).toHaveJSProperty("naturalWidth", 640);
  await page.keyboard.press("ArrowRight");
  await expect(page.getByRole("dialog")).toContainText("2 of 2");
  await page.keyboard.press("Escape");

  await photos.getByTestId("photo-files").setInputFiles({ name: "notes.jpg", mimeType: "image/jpeg", buffer: Buffer.from("no picture at all") });
  await expect(photos.getByRole("alert")).toHaveText("This is not a picture that can be read. JPEG, PNG, WebP and GIF can.");

  await page.getByRole("link", { name: "Instructions" }).click();
  await page.getByRole("button", { name: "Photograph", exact: true }).click();
  await expect(page.getByRole("article").getByRole("img", { name: "Photograph of Ferry Bell" })).toHaveAttribute("src", /^data:image\/jpeg/);

  await page.getByRole("link", { name: "Pieces" }).click();
  await page.getByRole("searchbox", { name: /Search/ }).fill("Ferry Bell");
  await expect(page.getByRole("img", { name: "Photograph of Ferry Bell" })).toBeVisible();
});

test("a photograph of a bead is pasted or dropped in its dialog, and its dish shows it", async ({ page }) => {
  await page.goto("/materials");
  await page.getByRole("searchbox", { name: "Search materials" }).fill("tide");
  await expect(page.getByRole("row").nth(1)).toContainText("Tide");
  const bead = page.getByRole("row").nth(1).getByRole("button");
  const name = (await bead.textContent())!;
  await bead.click();
  const photos = page.getByRole("region", { name: `Photographs of ${name}` });
  for (const [how, colour] of [["paste", "#206040"], ["drop", "#604020"]] as const) {
    const file = await picture(page, colour);
    await photos.evaluate((section, { how, base64 }) => {
      const data = new DataTransfer();
      data.items.add(new File([Uint8Array.from(atob(base64), (c) => c.charCodeAt(0))], "bead.jpg", { type: "image/jpeg" }));
      section.dispatchEvent(how === "paste" ? new ClipboardEvent("paste", { clipboardData: data, bubbles: true }) : new DragEvent("drop", { dataTransfer: data, bubbles: true }));
    }, { how, base64: file.buffer.toString("base64") });
    await expect(photos.getByRole("button", { name: /show it large/ })).toHaveCount(how === "paste" ? 1 : 2);
  }
  await page.keyboard.press("Escape");
  await expect(page.getByRole("row").nth(1).getByRole("img", { name: `Photograph of ${name}` })).toBeVisible();
});
