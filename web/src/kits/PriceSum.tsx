import { Link } from "react-router";
import type { KitPrice } from "../api/client.ts";
import { useSelling } from "./useSelling.ts";

const WORK: Record<string, string> = { count: "lines counted out", cut: "lengths cut", make: "components made", string: "beads strung", crimp: "crimps pressed", knot: "knots tied", open: "rings opened", pack: "bags packed" };

/** PriceSum adds up what one kit costs and says what it is sold for. */
export function PriceSum({ price, copies }: { price: KitPrice; copies: number }) {
  const currency = useSelling().data?.selling.currency ?? "";
  const money = (text: string) => (currency ? `${text} ${currency}` : text);
  const rows: [string, string][] = [
    ["Materials", price.materials], ["Spares", price.spares], ["Bag, card and other extras", price.extras], [`Work, ${minutes(price.seconds)}`, price.labour], ["Overhead", price.overhead],
  ];
  return (
    <section aria-label="Price" className="price-sum">
      <h2>Price of one, in a batch of {copies}</h2>
      <table className="list">
        <tbody>
          {rows.map(([what, sum]) => (
            <tr key={what}>
              <th scope="row">{what}</th>
              <td className="n">{money(sum)}</td>
            </tr>
          ))}
          <tr className="sum">
            <th scope="row">Costs</th>
            <td className="n" data-testid="cost">{money(price.cost)}</td>
          </tr>
          <tr>
            <th scope="row">The shop keeps</th>
            <td className="n">{money(price.gain)}</td>
          </tr>
          {price.tax && (
            <tr>
              <th scope="row">Tax</th>
              <td className="n">{money(price.tax)}</td>
            </tr>
          )}
          <tr className="sum gross">
            <th scope="row">{price.set ? "Price, set by hand" : "Sold for"}</th>
            <td className="n" data-testid="gross">{money(price.gross)}</td>
          </tr>
        </tbody>
      </table>
      {price.unpriced && <p className="lacks">Without a price, since no pack is known: {price.unpriced.join(", ")}. Add packs under Materials.</p>}
      <p>
        {price.parts[0] && (
          <>
            Dearest: {price.parts[0].name}, {money(price.parts[0].cost)}
            {price.parts[0].one ? `; one more costs ${money(price.parts[0].one)}` : ""}.{" "}
          </>
        )}
        {price.moreCm && <>A centimetre more costs {money(price.moreCm)}. </>}
        {price.evenAt
          ? `The whole batch costs ${money(price.spent)}, leftover packs included. You break even at ${price.evenAt} of ${copies} sold.`
          : `The whole batch costs ${money(price.spent)}, leftover packs included. Selling all ${copies} would not cover it.`}
      </p>
      <details>
        <summary>Work and materials one by one</summary>
        <table className="list">
          <tbody>
            {price.work.map((w) => (
              <tr key={w.work}>
                <th scope="row">
                  {w.times} {WORK[w.work]}
                </th>
                <td className="n">{minutes(w.seconds)}</td>
              </tr>
            ))}
            {price.parts.map((p) => (
              <tr key={p.material}>
                <th scope="row">{p.name}</th>
                <td className="n">{money(p.cost)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </details>
      <Link to="/kits/selling" className="link">
        Packing and prices
      </Link>
    </section>
  );
}

const minutes = (seconds: number) => (seconds < 60 ? `${seconds} s` : `${Math.round(seconds / 6) / 10} min`);
