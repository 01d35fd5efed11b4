import { cell } from "../sheets/csv.ts";
import type { KitBill } from "../api/client.ts";
import { forAll, spareOf } from "./item.ts";

/** billCsv is the bill of one kit, and what to buy for all, as a spreadsheet reads it. */
export function billCsv(bill: KitBill): string {
  const rows: (string | number | undefined)[][] = [
    ["bag", "letter", "material", "count", "spare", "cutsMm", `for ${bill.copies}`],
    ...bill.bags.flatMap((bag) =>
      bag.items.map((item) => {
        const line = bill.lines[item.line];
        const cuts = item.cuts?.map((c) => `${c.n} x ${c.mm}`).join("; ");
        return [bag.name, line.letters.filter(Boolean).join(" "), line.name, item.count, item.spare && spareOf(line, item.spare), cuts, item.cuts ? undefined : forAll(line, item, bill.copies)];
      }),
    ),
    ...bill.lines.filter((line) => line.own).map((line) => ["the buyer's own", line.letters.filter(Boolean).join(" "), line.name, line.count, undefined, line.totalMm, undefined]),
    ...bill.extras.map((e) => ["beside the bags", "", e.name, e.count, undefined, undefined, e.count * bill.copies]),
    [],
    ["cost of one", bill.price.cost],
    ["sold for", bill.price.gross],
  ];
  return rows.map((row) => row.map(cell).join(",")).join("\r\n") + "\r\n";
}
