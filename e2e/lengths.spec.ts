import { readFileSync } from "node:fs";
import { asShown, formatLength, type Unit } from "../web/src/units/length.ts";
import { expect, test } from "@playwright/test";

test("the page writes lengths as the core does", () => {
  const table = JSON.parse(readFileSync("core/length/testdata/printed.json", "utf8")) as { mm: number; unit: Unit; text: string }[];
  for (const { mm, unit, text } of table) expect(formatLength(mm, unit), `${mm} in ${unit}`).toBe(text);
});

test("what is said of two lengths agrees with what is read", () => {
  const change = (one: number, other: number, unit: Unit) => formatLength(asShown(other, unit) - asShown(one, unit), unit);
  expect(change(450.04, 450.06, "mm")).toBe("0.1 mm"); // 450 mm, 450.1 mm
  expect(change(450.06, 449.94, "mm")).toBe("-0.2 mm"); // 450.1 mm, 449.9 mm
  expect(change(25.4, 26.2, "in")).toBe("1.6 mm"); // 1 in, 1 1/16 in: below half an inch it is given in mm
  expect(change(-26.2, -25.4, "in")).toBe("1.6 mm");
  for (let mm = -60; mm < 60; mm += 0.37) for (const unit of ["mm", "in"] as const) expect(formatLength(asShown(mm, unit), unit)).toBe(formatLength(mm, unit));
});
