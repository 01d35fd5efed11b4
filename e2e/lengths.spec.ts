import { readFileSync } from "node:fs";
import { formatLength, type Unit } from "../web/src/units/length.ts";
import { expect, test } from "@playwright/test";

test("the page writes lengths as the core does", () => {
  const table = JSON.parse(readFileSync("core/length/testdata/printed.json", "utf8")) as { mm: number; unit: Unit; text: string }[];
  for (const { mm, unit, text } of table) expect(formatLength(mm, unit), `${mm} in ${unit}`).toBe(text);
});
