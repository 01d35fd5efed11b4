import { Button } from "@mui/material";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useParams, useSearchParams } from "react-router";
import { api, unwrap, type BagItem, type KitBill } from "../api/client.ts";
import { identity } from "../api/identity.ts";
import { Cover } from "../photos/Cover.tsx";
import { useCovers } from "../photos/photos.ts";
import { useUnit } from "../ui/UnitContext.tsx";
import { Length } from "../ui/UnitContext.tsx";
import { cellAddress, cellAt, cellName } from "../sheets/cell.ts";
import { Heap } from "./Heap.tsx";
import { inBag, longestCut, spareSays } from "./item.ts";
import { useKitContext } from "./KitRoom.tsx";
import { usePacked } from "./usePacked.ts";

/** PackRoom is the packer's page: one bag after the other, large enough to be read from a metre, each thing ticked off. */
export function PackRoom() {
  const { id, bench } = useKitContext();
  const { cell: address } = useParams();
  const [query] = useSearchParams();
  const { unit } = useUnit();
  const { kit } = bench.state;
  const found = useQuery({
    queryKey: ["kit-bill", identity(kit), address, 1, unit],
    queryFn: ({ signal }) => unwrap(api.POST("/api/kit-bill", { params: { query: { unit } }, body: { kit, cell: cellAt(address), copies: 1 }, signal })),
    retry: false,
  });
  const [at, setAt] = useState(0);
  const { things, waiting, tick, startOver, takeBack } = usePacked(id, cellAddress(cellAt(address)));
  const bill = found.data;
  const covers = useCovers("material", bill?.lines.map((line) => line.material) ?? []);
  const bag = bill?.bags[Math.min(at, bill.bags.length - 1)];
  const all = bill?.bags.flatMap((b) => b.items.map((item) => thingOf(bill, b.name, item))) ?? [];
  const packed = all.filter((thing) => things.has(thing)).length;
  return (
    <div className="pack-room">
      <header>
        <Link to={`/kits/${id}/bag/${address}?${query}`} className="link">
          Back to the bag
        </Link>
        <h2>{bill ? cellName(kit, bill) : " "}</h2>
        <span role="status">
          {packed} of {all.length} packed
        </span>
        {packed > 0 && (
          <Button size="small" onClick={startOver}>
            Start over
          </Button>
        )}
        {takeBack && (
          <Button size="small" onClick={takeBack}>
            Undo start over
          </Button>
        )}
      </header>
      {waiting && <p role="alert">{waiting} The ticks stay here, and are saved as soon as they can be.</p>}
      {found.error && <p role="alert">{found.error.message}</p>}
      {bill && bag && (
        <>
          <nav aria-label="Bags">
            {bill.bags.map((b, i) => (
              <button type="button" key={b.name} aria-pressed={b === bag} onClick={() => setAt(i)}>
                {b.name} {b.items.every((item) => things.has(thingOf(bill, b.name, item))) && "✓"}
              </button>
            ))}
          </nav>
          <ul>
            {bag.items.map((item) => (
              <Thing key={item.line} cover={covers[bill.lines[item.line].material]} bill={bill} item={item} ticked={things.has(thingOf(bill, bag.name, item))} onTick={() => tick(thingOf(bill, bag.name, item))} />
            ))}
          </ul>
          {at + 1 < bill.bags.length && (
            <Button variant="contained" onClick={() => setAt(at + 1)}>
              Next: {bill.bags[at + 1].name}
            </Button>
          )}
          {packed === all.length && <p className="packed">Packed. Add {[...bill.extras.map((e) => e.name), ...bill.tools.filter((t) => t.inKit).map((t) => t.name)].join(", ").toLowerCase() || "nothing more"}.</p>}
        </>
      )}
    </div>
  );
}

/** thingOf names what is packed and how much of it: where that changes, it is to be packed again. */
function thingOf(bill: KitBill, bag: string, item: BagItem): string {
  const cuts = (item.cuts ?? []).map((cut) => `${cut.n} of ${Math.round(cut.mm)} mm`);
  return [bag, bill.lines[item.line].material, item.count, ...cuts, item.spare ? `and ${item.spare}` : ""].join(" ").trim().slice(0, MOST_SIGNS);
}

const MOST_SIGNS = 400;

function Thing({ bill, cover, item, ticked, onTick }: { bill: KitBill; cover: string | undefined; item: BagItem; ticked: boolean; onTick: () => void }) {
  const line = bill.lines[item.line];
  const material = bill.documents.flatMap(({ document }) => document.materials).find((m) => m.id === line.material);
  const letters = [...new Set(line.letters.filter(Boolean))].join(" ");
  return (
    <li className={ticked ? "ticked" : undefined}>
      <label>
        <input type="checkbox" checked={ticked} onChange={onTick} />
        {cover ? (
          <Cover photo={cover} name={line.name} />
        ) : (
          <Heap material={inBag(material, line, item)} outline={bill.outlines[line.material]} count={item.count + (item.spare ?? 0)} cordMm={longestCut(item)} width={132} height={96} />
        )}
        <span className="letter">{letters}</span>
        <span className="what">{line.name}</span>
        <span className="how-many">
          {item.cuts
            ? item.cuts.map((cut, i) => (
                <span key={i}>
                  {cut.n} × <Length mm={cut.mm} />
                </span>
              ))
            : item.count > 0 && item.count}
          {item.spare ? <small> + {spareSays(line, item.spare)}</small> : null}
        </span>
      </label>
    </li>
  );
}
