import type { Buying } from "../api/client.ts";

/** csvOf is the list as a spreadsheet reads it; what one would work out stays text. */
export function csvOf(buying: Buying): string {
  const rows: (string | number | undefined)[][] = [
    ["pack", "sold", "supplier", "code", "holds", "holdsMm", "packs", "each", "sum"],
    ...buying.packs.map((p) => [p.name, p.sold, p.supplier, p.code, p.holds, p.holdsMm, p.n, p.each, p.sum]),
    ["bought", ...Array<string>(7).fill(""), buying.bought],
    ["used", ...Array<string>(7).fill(""), buying.used],
    [],
    ["material", "needed", "neededMm", "stock", "held", "heldMm", "left", "leftMm", "used"],
    ...buying.needs.map((n) => [n.name, n.count, n.mm, n.stock, n.held, n.heldMm, n.left, n.leftMm, n.lacks ?? n.used]),
  ];
  return rows.map((row) => row.map(cell).join(",")).join("\r\n") + "\r\n";
}

/** cell writes one value of a CSV. */
export function cell(value: string | number | undefined): string {
  const text = String(value ?? "");
  const safe = typeof value === "string" && /^'*[=+\-@\t\r]/.test(text) ? `'${text}` : text;
  return /[",\r\n]/.test(safe) ? `"${safe.replaceAll('"', '""')}"` : safe;
}
