import type { BagItem, BillLine, KitBill } from "../api/client.ts";
import { Length } from "../ui/UnitContext.tsx";
import { Heap } from "./Heap.tsx";
import { forAll, inBag, longestCut, spareSays } from "./item.ts";

/** Bags pours out every bag: heaps as large as they are, with what the maker counts and, apart from it, what is spare. */
export function Bags({ bill, copies }: { bill: KitBill; copies: number }) {
  const own = bill.lines.filter((line) => line.own);
  return (
    <>
      {bill.bags.map((bag) => (
        <section key={bag.name} className="bag" aria-label={`Bag ${bag.name}`}>
          <h3>{bag.name}</h3>
          {bag.why && <p className="quiet">{bag.why}</p>}
          <ul className="heaps">
            {bag.items.map((item) => (
              <OneHeap key={item.line} bill={bill} item={item} copies={copies} />
            ))}
          </ul>
        </section>
      ))}
      {bill.extras.length > 0 && (
        <p className="extras">
          Loose in the kit: {bill.extras.map((e) => (e.count > 1 ? `${e.count} × ${e.name}` : e.name)).join(", ")}.
        </p>
      )}
      {own.length > 0 && (
        <section className="bag own" aria-label="The buyer's own">
          <h3>The buyer's own</h3>
          <ul className="heaps">
            {own.map((line) => (
              <OneHeap key={line.material} bill={bill} item={{ line: bill.lines.indexOf(line), count: line.count }} copies={1} />
            ))}
          </ul>
        </section>
      )}
    </>
  );
}

function OneHeap({ bill, item, copies }: { bill: KitBill; item: BagItem; copies: number }) {
  const line = bill.lines[item.line];
  const material = bill.documents.flatMap(({ document }) => document.materials).find((m) => m.id === line.material);
  const letters = [...new Set(line.letters.filter(Boolean))].join(", ");
  const { measured } = item;
  return (
    <li>
      <Heap material={inBag(material, line, item)} outline={bill.outlines[line.material]} count={item.count + (item.spare ?? 0)} cordMm={longestCut(item)} width={150} height={118} />
      <p className="heap-name">
        {letters && <span className="key">{letters}</span>} {line.name}
      </p>
      <p className="heap-count">
        <Counted item={item} line={line} />
      </p>
      {measured && (
        <p className="quiet">
          {measured.massG !== undefined && (
            <>
              about {grams(measured.massG, measured)} g ({grams(measured.leastG ?? 0, measured)} to {grams(measured.mostG ?? 0, measured)}),{" "}
            </>
          )}
          <Length mm={measured.tubeMm} /> in a tube
        </p>
      )}
      {copies > 1 && !item.cuts && <p className="quiet">{forAll(line, item, copies)} for {copies}</p>}
    </li>
  );
}

/** grams writes little as exactly as it has to be. */
const grams = (g: number, { massG }: { massG?: number }) => g.toFixed((massG ?? 0) < 1 ? 2 : 1);

function Counted({ item, line }: { item: BagItem; line: BillLine }) {
  if (item.cuts) {
    return (
      <>
        {item.cuts.map((cut, i) => (
          <span key={i} className="cut">
            <b>{cut.n}</b> × <Length mm={cut.mm} />
            {cut.row ? <span className="quiet"> row {cut.row}</span> : null}
          </span>
        ))}
        {line.class !== "cord" && <span className="quiet">{item.count} links</span>}
      </>
    );
  }
  return (
    <>
      {item.count > 0 && <b>{item.count}</b>}
      {item.spare ? <span className="spare">{item.count > 0 ? " + " : ""}{spareSays(line, item.spare)}</span> : null}
    </>
  );
}
