import type { MaterialFacts } from "../api/client.ts";
import { Length } from "../ui/UnitContext.tsx";
import { useHeld } from "../shop/catalogue.ts";

const TIMES = ["not at all", "once", "twice", "three times", "four times", "five times", "six times", "seven times or more"];

/** Facts list what a bead's measures mean: its length on a cord, and which cords pass its hole. */
export function Facts({ facts }: { facts: MaterialFacts }) {
  const cords = useHeld(facts.fits.map((f) => f.cord));
  return (
    <table className="list">
      <tbody>
        <tr>
          <th scope="row">Length of one</th>
          <td className="n">
            <Length mm={facts.aloneMm ?? 0} />
          </td>
        </tr>
        <tr>
          <th scope="row">Length of ten, strung tight</th>
          <td className="n" data-testid="ten">
            <Length mm={facts.tenMm ?? 0} />
          </td>
        </tr>
        <tr>
          <th scope="row">Measured by</th>
          <td className="n">{facts.sizedBy === "nominal" ? "nominal size" : facts.sizedBy === "calipered" ? "calliper" : "measured run"}</td>
        </tr>
        {facts.fits.map((fit) => (
          <tr key={fit.cord}>
            <th scope="row">
              {cords.get(fit.cord)?.material.name ?? fit.cord} <span className="size">{cords.get(fit.cord)?.material.diameterMm} mm</span>
            </th>
            <td className="n">{TIMES[fit.passes]}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
