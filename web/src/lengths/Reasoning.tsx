import { Button } from "@mui/material";
import type { Analysis, Document } from "../api/client.ts";
import type { Bench } from "../piece/Bench.ts";
import { formatLength } from "../units/length.ts";
import { Length, useUnit } from "../ui/UnitContext.tsx";
import { bodyOf } from "./Wearer.tsx";

/** Reasoning says how a target follows from the measure, and leaves the choice to the designer. */
export function Reasoning({ bench, analysis, doc }: { bench: Bench; analysis: Analysis; doc: Document }) {
  const { unit } = useUnit();
  const { fit, insideMm, target } = analysis;
  if (!fit || insideMm == null) return null;
  if (fit.suits && fit.wanted.length > 0 && fit.wanted.at(-1)?.toMm === undefined && fit.passage?.passes !== false) {
    return (
      <section className="reasoning" aria-label="Suggested length">
        <h3>Suggested length</h3>
        <p className="all-right">✓ The current length suits. Ease here has no upper limit, so choose the length you like.</p>
      </section>
    );
  }
  const flat = target?.mm ?? analysis.finishedMm;
  const times = bodyOf(doc).times ?? 1;
  const suited = target?.finishedMm === fit.suitedMm;
  return (
    <section className="reasoning" aria-label="Suggested length">
      <h3>Suggested length</h3>
      <table className="list">
        <tbody>
          <tr>
            <th scope="row">{bodyOf(doc).part}</th>
            <td className="n">
              <Length mm={fit.measureMm} />
            </td>
          </tr>
          <tr>
            <th scope="row">ease aimed at</th>
            <td className="n">
              <Length mm={fit.aimMm} />
            </td>
          </tr>
          <tr>
            <th scope="row">taken by bead thickness</th>
            <td className="n">
              <Length mm={flat / times - insideMm} />
            </td>
          </tr>
          {times > 1 && (
            <tr>
              <th scope="row">times round</th>
              <td className="n">× {times}</td>
            </tr>
          )}
          <tr className="sum">
            <th scope="row">suggested length{fit.passage && !fit.passage.passes ? ", passes too" : ""}</th>
            <td className="n">
              <Length mm={fit.suitedMm} />
            </td>
          </tr>
        </tbody>
      </table>
      {suited ? (
        <p className="all-right">✓ This is the target.</p>
      ) : (
        <p>
          {target ? (
            <>
              The target is <Length mm={target.finishedMm} />.{" "}
            </>
          ) : (
            "There is no target yet. "
          )}
          <Button size="small" variant="outlined" onClick={() => void bench.apply({ do: "set-target", mm: fit.suitedMm })}>
            {`Set target to ${formatLength(fit.suitedMm, unit)}`}
          </Button>
        </p>
      )}
    </section>
  );
}
