import { Link } from "react-router";
import type { BenchState } from "../piece/BenchState.ts";
import { bodyOf } from "../lengths/Wearer.tsx";
import { Length } from "../ui/UnitContext.tsx";

/** Follows says what the pattern as it is comes to, whatever it started from: its length, whom it suits, and what it takes. */
export function Follows({ state }: { state: BenchState }) {
  const { doc, analysis } = state;
  if (!analysis) return null;
  const { target, fit, suits = [] } = analysis;
  return (
    <section aria-label="What follows" className="follows">
      <h3>As it is laid out</h3>
      <table className="list">
        <tbody>
          <tr>
            <th scope="row">length</th>
            <td>
              <Length mm={analysis.finishedMm} />
              {analysis.lengthName && ` (${analysis.lengthName})`}
              {target && (target.within ? <b className="right"> ✓ as asked</b> : <b className="off"> ▲ <Length mm={Math.abs(target.offMm)} /> too {target.offMm < 0 ? "short" : "long"}</b>)}
            </td>
          </tr>
          <tr>
            <th scope="row">worn</th>
            <td>
              {fit ? (
                <>
                  <b className={fit.suits ? "right" : "off"}>
                    {fit.suits ? "✓ " : "▲ "}
                    {fit.word || "ease"}
                  </b>
                  , <Length mm={fit.easeMm} /> of ease on a {bodyOf(doc).part} of <Length mm={fit.measureMm} />
                </>
              ) : suits.length > 0 ? (
                <>suits {suits.join(", ")}</>
              ) : analysis.insideMm != null ? (
                <>
                  inside <Length mm={analysis.insideMm} />
                </>
              ) : (
                "too few beads to close"
              )}
              {fit && suits.length > 0 && <span className="quiet">; suits {suits.join(", ")}</span>}
            </td>
          </tr>
          <tr>
            <th scope="row">takes</th>
            <td>
              {analysis.beads} {analysis.beads === 1 ? "bead" : "beads"}
              {analysis.strands.length === 1 && analysis.strands[0].cutMm > 0 && (
                <>
                  , <Length mm={analysis.strands[0].cutMm} /> of cord
                </>
              )}
            </td>
          </tr>
        </tbody>
      </table>
      <p>
        <Link to="../fit" relative="path" className="link">
          {fit ? "See why" : "See how it sits"}
        </Link>{" "}
        <Link to="../variants" relative="path" className="link">
          Two variants side by side
        </Link>
      </p>
    </section>
  );
}
