import AxeBuilder from "@axe-core/playwright";
import { expect, finished, line, more, openCopy, openPiece, problem, problems, saved, startPiece, strand, test, typeLine } from "./mala.ts";

test("a swallowed crimp is shown where it is and mended by its fix", async ({ page }) => {
  await openPiece(page, "Quay Lanterns");
  await problems(page);
  const check = problem(page, "Crimp slips into the bead");
  await expect(check).toHaveCount(2);
  await check.last().getByRole("button", { name: "Show where" }).click();
  await expect(page.getByTestId("at-caret")).toContainText("1 bead selected, Lantern glass");
  await check.first().getByRole("button", { name: /between/ }).click();
  await expect(check).toHaveCount(0);
  // The fix takes out what it puts in, so the length stays on its target.
  await expect(page.locator(".verdict")).toContainText("✓");
  await expect(page.getByRole("link", { name: /Lay out ?: done/ })).toBeVisible();
  await page.keyboard.press("ControlOrMeta+Z");
  await expect(check).toHaveCount(2);
  await saved(page);
});

test("a line that has an error is shown at its place and is still there after a reload", async ({ page }) => {
  await startPiece(page, "Half typed");
  const before = await finished(page).innerText();
  await line(page).fill("<9D | 3 >");
  await expect(page.getByRole("alert")).toContainText("Column 9: A count needs a bead or a group after it.");
  await expect(finished(page)).toHaveText(before);
  await saved(page);
  await page.reload();
  await expect(line(page)).toHaveValue("<9D | 3 >");
  await expect(page.getByRole("alert")).toContainText("Column 9");
  for (const [typed, says] of [["🙂", "has no meaning"], ["<script>", "A mirror needs a |"], ["9999(9999D)", "more than 10000 beads"], ["Q", "No dish has the letter Q"], ["{D} {D}", "one open fill"]]) {
    await line(page).fill(typed);
    await expect(page.getByRole("alert")).toContainText(says);
    await expect(line(page)).toHaveValue(typed);
  }
  await line(page).fill("9D");
  await expect(page.getByRole("alert")).toHaveCount(0);
});

test("a line of more items than anybody looks through has no chips, and its counts still step by key, once each to undo", async ({ page }) => {
  await startPiece(page, "Very long", "A clasp", "9000 mm");
  const short = "D 2D ".repeat(10).trim();
  await typeLine(page, short);
  await expect(page.getByRole("group", { name: "The bead line as chips" })).toBeVisible();
  const long = "D 2D ".repeat(1001).trim();
  await line(page).fill(long);
  await expect(page.getByText("Too many items to show as chips")).toBeVisible();
  await strand(page).focus();
  await page.keyboard.press("Home");
  await page.keyboard.press("ArrowUp");
  await expect(line(page)).toHaveValue(`2${long}`);
  await page.keyboard.press("ArrowDown");
  await expect(line(page)).toHaveValue(long);
  await page.keyboard.press("ArrowDown");
  await page.keyboard.press("ControlOrMeta+Z");
  await expect(line(page), "stepping to fewer than one was nothing to undo").toHaveValue(`2${long}`);
});

test("target and tolerance are typed as people say them, in both units at once", async ({ page }) => {
  await startPiece(page, "Both units");
  const target = page.getByLabel("Target length");
  await target.fill("17 1/2”");
  await target.press("Enter");
  await expect(target).toHaveValue("444.5 mm");
  await page.getByRole("button", { name: "in", exact: true }).click();
  await expect(target).toHaveValue("17 1/2 in");
  await expect(finished(page)).toContainText("in");
  await expect(page.locator(".head .sub")).toContainText("in");
  await target.fill("long");
  await target.press("Enter");
  await expect(page.locator(".gauge [role=alert]")).toContainText("A length starts with a number");
  await expect(target).toHaveValue("long");
  await target.press("Escape");
  await target.fill("");
  await target.press("Enter");
  await expect(page.getByRole("alert").first()).toContainText("An open fill needs a target length");
});

test("a dish added while the line is being typed is not lost, nor is what was typed", async ({ page }) => {
  await openCopy(page, "Harbour Lights");
  await page.route("**/api/edit*", async (route) => {
    await new Promise((later) => setTimeout(later, 900));
    await route.continue();
  });
  await strand(page).press("+");
  await page.getByRole("combobox").fill("steel round");
  await page.getByRole("option", { name: /Steel/ }).first().waitFor();
  await page.keyboard.press("Enter");
  await typeLine(page, "9P");
  await expect(page.locator(".dish .name", { hasText: "Steel round" })).toBeVisible();
  await expect(line(page)).toHaveValue("9P");
  await expect(page.getByText("9 beads", { exact: true })).toBeVisible();
  await saved(page);
});

test("two tabs on one piece: the second is refused and both are kept", async ({ page, context }) => {
  await startPiece(page, "Two tabs");
  await typeLine(page, "9D");
  await saved(page);
  const other = await context.newPage();
  await other.goto(page.url());
  await expect(strand(other)).toBeFocused();
  await typeLine(page, "20D");
  await saved(page);
  await typeLine(other, "30D");
  await expect(other.getByRole("alert")).toContainText("Your state is saved as version 1");
  await expect(line(other)).toHaveValue("30D");
  await other.getByRole("button", { name: "Overwrite with mine" }).click();
  await saved(other);
  await page.reload();
  await expect(line(page)).toHaveValue("30D");
});

test("a bead measured again is announced and changes the piece only when asked", async ({ page, request }) => {
  await startPiece(page, "Measured again");
  await typeLine(page, "40D");
  await saved(page);
  const before = await finished(page).innerText();
  const item = (await (await request.get("/api/materials?ids=dusk-pearl-4")).json()).items[0];
  await request.put("/api/materials/dusk-pearl-4", { data: { base: item.revision, onHand: 1, material: { ...item.material, run: { count: 40, measuredMm: 166 } } } });
  await page.reload();
  await expect(finished(page)).toHaveText(before);
  await expect(page.getByText("The catalogue has new measures for Dusk-pearl round")).toBeVisible();
  await page.getByRole("button", { name: "Use the new measures" }).click();
  await expect(finished(page)).not.toHaveText(before);
  await page.keyboard.press("ControlOrMeta+Z");
  await expect(finished(page)).toHaveText(before);
  await request.put("/api/materials/dusk-pearl-4", { data: { base: item.revision + 1, onHand: 150, material: item.material } });
});

test("pieces are searched, duplicated, deleted and restored", async ({ page }) => {
  await startPiece(page, "Nets & Floats <b>🌊</b>");
  await page.goto("/pieces");
  const cards = page.getByRole("listitem").filter({ has: page.getByRole("heading", { name: /Nets & Floats/ }) });
  await page.getByLabel("Search pieces").fill("floats nets");
  await expect(cards).toHaveCount(1);
  await expect(page.getByRole("link", { name: "Harbour Lights" })).toHaveCount(0);
  await page.getByRole("button", { name: "Duplicate Nets & Floats <b>🌊</b>" }).click();
  await expect(cards).toHaveCount(2);
  await page.getByRole("button", { name: /^Delete .*copy$/ }).click();
  await expect(cards).toHaveCount(1);
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(cards).toHaveCount(2);
  await page.getByLabel("Search pieces").fill("no such thing");
  await expect(page.getByText("No piece matches “no such thing”")).toBeVisible();
});

test("what was deleted is found again and restored by keyboard, and the shop sets how long it is kept", async ({ page }) => {
  await startPiece(page, "Thrown overboard");
  await page.goto("/pieces");
  await page.getByRole("button", { name: "Delete Thrown overboard" }).press("Enter");
  await expect(page.getByRole("link", { name: "Thrown overboard" })).toHaveCount(0);
  await page.getByRole("link", { name: "Deleted", exact: true }).press("Enter");
  const row = page.getByRole("row", { name: /Thrown overboard/ });
  await expect(row).toBeVisible();
  const { violations } = await new AxeBuilder({ page }).analyze();
  expect(violations.map((v) => v.id)).toEqual([]);
  const days = page.getByLabel("Days that what was deleted is kept");
  await days.fill("0");
  await days.press("Enter");
  await expect(page.getByRole("alert")).toHaveText("Keep it for 1 to 3650 days.");
  await expect(days).toHaveValue("0");
  await days.fill("120");
  const kept = page.waitForResponse((answer) => answer.request().method() === "PUT");
  await days.press("Enter");
  await kept;
  await expect(page.getByRole("alert")).toHaveCount(0);
  await page.reload();
  await expect(days).toHaveValue("120");
  await row.getByRole("button", { name: "Restore Thrown overboard" }).press("Enter");
  await expect(row).toHaveCount(0);
  await page.getByRole("link", { name: "Back to Pieces" }).press("Enter");
  await expect(page.getByRole("link", { name: "Thrown overboard" })).toBeVisible();
  const exported = page.waitForEvent("download");
  await page.getByRole("link", { name: "Export everything" }).press("Enter");
  expect((await exported).suggestedFilename()).toMatch(/^mala-\d{4}-\d\d-\d\d\.zip$/);
});

test("what is decided can be decided again, and the ends follow", async ({ page }) => {
  await startPiece(page, "Decided again");
  await page.getByRole("link", { name: /Decide/ }).click();
  await page.getByRole("button", { name: "Stretch", exact: true }).click();
  await page.getByRole("button", { name: "Bracelet", exact: true }).click();
  await page.getByRole("combobox", { name: "Tags" }).fill("stack");
  await page.keyboard.press("Enter");
  await page.getByLabel("Notes").fill("for the stack");
  await page.getByLabel("Target length").fill("7 1/2 in");
  await page.getByLabel("Target length").press("Enter");
  await page.getByRole("link", { name: /Lay out/ }).click();
  await expect(page.locator(".head .sub")).toContainText("bracelet, tied in a ring");
  await expect(page.getByRole("region", { name: "Cord and ends" })).toContainText("Elastic");
  await expect(page.locator(".verdict")).toContainText("✓");
  await expect(page.locator(".gauge")).toContainText("inside");
  await saved(page);
  await page.goto("/pieces");
  await page.getByLabel("Search pieces").fill("stack decided");
  await expect(page.getByRole("listitem").filter({ hasText: "Decided again" })).toContainText("#stack");
});

test("? lists the keys, and every view is free of what axe finds", async ({ page }) => {
  test.slow(); // a dozen views, each gone through from end to end
  const axe = async (view: string) => {
    await page.evaluate(() => document.fonts.ready);
    const found = await new AxeBuilder({ page }).analyze();
    expect(found.violations.map((v) => `${view}: ${v.id} ${v.nodes.map((n) => n.target.join(" ")).join(", ")}`)).toEqual([]);
  };
  await page.goto("/pieces");
  await page.getByRole("listitem").first().getByRole("link").waitFor();
  await axe("pieces");
  await page.keyboard.press("n");
  await axe("new piece");
  await page.keyboard.press("Escape");
  await page.getByLabel("Search pieces").fill("Quay Lanterns");
  await page.getByRole("link", { name: "Quay Lanterns", exact: true }).click();
  await expect(strand(page)).toBeFocused();
  await axe("lay out");
  await page.keyboard.press("?");
  await expect(page.getByRole("dialog", { name: "Keys" })).toContainText("mirror the selection");
  await axe("keys");
  await page.keyboard.press("Escape");
  await strand(page).press("+");
  await axe("catalogue");
  await page.keyboard.press("Escape");
  await page.getByRole("link", { name: /Decide/ }).click();
  await axe("decide");
  for (const start of ["A wearer", "Beads in hand", "A piece already made"]) {
    await page.getByRole("button", { name: start, exact: true }).click();
    await axe(`decide from ${start}`);
  }
  await page.getByRole("link", { name: /Fit/ }).click();
  await page.getByRole("region", { name: "Inside length and ease" }).waitFor();
  await axe("fit");
  await page.getByRole("link", { name: "Worn together with other pieces" }).click();
  await axe("worn together");
  await page.getByRole("link", { name: /^Decide/ }).click();
  await page.getByRole("link", { name: "Two variants side by side" }).click();
  await page.getByRole("button", { name: "Set this one aside" }).click();
  await expect(page.getByRole("columnheader", { name: "Figure" })).toBeVisible();
  await axe("variants");
  await page.getByRole("link", { name: /Ends and cutting/ }).click();
  await page.getByRole("region", { name: "Suggested findings" }).waitFor();
  await axe("ends");
  await page.getByRole("link", { name: /Instructions/ }).click();
  await axe("plan");
  await page.getByRole("button", { name: "Print", exact: true }).waitFor();
  await page.getByLabel("Name of this version").fill("for axe");
  await page.getByRole("button", { name: "Save version" }).click();
  await more(page, "History");
  await expect(page.getByRole("columnheader", { name: "Figure" })).toBeVisible();
  await axe("history");
  await page.getByRole("link", { name: "House method" }).click();
  await page.getByRole("button", { name: "Generous, 120 mm an end" }).click();
  await page.getByRole("region", { name: "Effect on pieces" }).getByText(/pieces would change/).waitFor();
  await axe("house");
});

// 640 px is the usual window at 200 % zoom.
for (const width of [1024, 640]) {
  test(`nothing runs off the page at ${width} px`, async ({ page }) => {
    await page.setViewportSize({ width, height: width === 640 ? 400 : 720 });
    const fits = async (view: string) => expect(await page.evaluate(() => document.documentElement.scrollWidth), view).toBeLessThanOrEqual(width);
    await page.goto("/pieces");
    await page.getByRole("listitem").first().getByRole("link").waitFor();
    await fits("pieces");
    await page.goto("/materials");
    await page.getByRole("button", { name: "Amber chip" }).waitFor();
    await fits("materials");
    await openPiece(page, "Harbour Lights");
    await problems(page);
    await fits("problems");
    await more(page, "History");
    await page.locator(".history .times").waitFor();
    await fits("history");
    for (const step of [/Lay out/, /Decide/, /Fit/, /Ends and cutting/, /Instructions/, /House method/]) {
      await page.getByRole("link", { name: step }).click();
      await page.waitForTimeout(200);
      await fits(String(step));
      const room = page.locator(".ends-room, .fit, .house");
      if (await room.count()) expect(await room.first().evaluate((el) => el.scrollWidth - el.clientWidth), String(step)).toBeLessThanOrEqual(0);
    }
  });
}

test("the keys of the page do not act under an open menu or window", async ({ page }) => {
  await startPiece(page, "Under a menu");
  await typeLine(page, "11D");
  await typeLine(page, "12D");
  await page.getByRole("button", { name: /: change or remove$/ }).first().click();
  await expect(page.getByRole("menu")).toBeVisible();
  for (const key of ["+", "/", "?", "Control+z", "Control+.", "="]) await page.keyboard.press(key);
  await expect(page.getByRole("menu")).toBeVisible();
  await expect(page.getByRole("dialog")).toHaveCount(0);
  await expect(page).toHaveURL(/\/pieces\/[^/]+$/);
  await page.keyboard.press("Escape");
  await expect(line(page)).toHaveValue("12D");
  await strand(page).focus();
  await page.keyboard.press("+");
  await expect(page.getByRole("dialog", { name: "Add a dish" })).toBeVisible();
  await page.keyboard.press("Control+Period");
  await expect(page.getByRole("dialog", { name: "Add a dish" })).toBeVisible();
  await page.keyboard.press("Escape");
  await expect(page.getByRole("dialog")).toHaveCount(0);
  await strand(page).focus();
  await page.keyboard.press("ControlOrMeta+z");
  await expect(line(page)).not.toHaveValue("12D");
});

test("keys of one sign can be switched off but for the strand, and stay so", async ({ page }) => {
  await openCopy(page, "Ferry Bell");
  const list = page.getByRole("dialog", { name: "Keys" });
  await page.keyboard.press("?");
  await list.getByRole("checkbox", { name: /^Keys of one sign/ }).uncheck();
  await list.getByRole("button", { name: "Close" }).click();
  await page.reload();
  await page.getByRole("heading", { name: "Tally" }).click();
  for (const key of ["?", "/", "+", "="]) await page.keyboard.press(key);
  await expect(page.getByRole("dialog")).toHaveCount(0);
  await expect(line(page)).not.toBeFocused();
  await strand(page).focus();
  await page.keyboard.press("/");
  await expect(line(page)).toBeFocused();
  await page.getByRole("button", { name: "All keys" }).click();
  await list.getByRole("checkbox", { name: /^Keys of one sign/ }).check();
  await list.getByRole("button", { name: "Close" }).click();
  await page.getByRole("heading", { name: "Tally" }).click();
  await page.keyboard.press("?");
  await expect(list).toBeVisible();
});
