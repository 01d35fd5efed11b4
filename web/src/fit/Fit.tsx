import type { Analysis, Document } from "../api/client.ts";
import type { Bench } from "../piece/Bench.ts";
import { Link } from "react-router";
import { previewed } from "../piece/BenchState.ts";
import { useBenchContext } from "../piece/context.ts";
import { Length } from "../ui/UnitContext.tsx";
import { CrossSection, OverTheHand } from "./CrossSection.tsx";
import { RowPicker } from "../ends/RowPicker.tsx";
import { Hang } from "./Hang.tsx";
import { Proposals } from "../proposals/Proposals.tsx";
import { Positions } from "./Positions.tsx";
import { Reasoning } from "../lengths/Reasoning.tsx";
import { bodyOf, Wearer } from "../lengths/Wearer.tsx";
import "../lengths/fit.css";

/** Fit shows how the piece sits on its wearer, and the suggested length. */
export function Fit() {
  const { bench, state } = useBenchContext();
  const { doc, analysis, row } = state;
  const shown = previewed(state);
  if (doc.kind === "ornament") return <Hang bench={bench} state={state} />;
  return (
    <div className="fit">
      <div className="answers side left">
        <h2 className="hidden">Wearer</h2>
        <Wearer bench={bench} doc={doc} />
        {analysis && <Reasoning bench={bench} analysis={analysis} doc={doc} />}
        <p>
          <Link to="../sizes" relative="path" className="link">
            Several sizes side by side{doc.sizes?.length ? ` (${doc.sizes.length} saved)` : ""}
          </Link>
          <br />
          <Link to="../colours" relative="path" className="link">
            {doc.colourways?.length ? `Colourways (${doc.colourways.length} saved)` : "Colourways"}
          </Link>
          <br />
          <Link to="../stack" relative="path" className="link">
            {doc.stack ? `Worn together: ${doc.stack}` : "Worn together with other pieces"}
          </Link>
        </p>
      </div>
      <div className={`round-room${state.behind ? " behind" : ""}`}>
        {shown.analysis && <CrossSection analysis={shown.analysis} doc={shown.analysed} row={row} />}
        <Legend />
      </div>
      <aside className="side right" aria-label="How it fits">
        {analysis && <Figures analysis={analysis} doc={doc} />}
        {analysis?.rows && <RowsInside bench={bench} analysis={analysis} doc={doc} row={row} />}
        {analysis?.fit?.passage && <Passing analysis={analysis} doc={doc} row={row} />}
        {analysis?.positions && <Positions positions={analysis.positions} />}
        <Proposals bench={bench} state={state} />
      </aside>
    </div>
  );
}

function Legend() {
  return (
    <ul className="legend" aria-label="What the drawing shows">
      <li>
        <i className="body" /> the body
      </li>
      <li>
        <i className="room" /> ease
      </li>
      <li>
        <i className="dot" /> a bead touching the body
      </li>
      <li className="quiet">across the body, true to scale</li>
    </ul>
  );
}

/** NO_INSIDE says why there is no inside length. */
const NO_INSIDE = {
  open: "Too few beads to close.",
  nothing: "Closed, it leaves no room inside.",
  unsolved: "No solution found for this inside length. The rule of thumb below is close.",
};

function Figures({ analysis, doc }: { analysis: Analysis; doc: Document }) {
  const { fit, insideMm, insideRule } = analysis;
  const times = bodyOf(doc).times ?? 1;
  return (
    <section aria-label="Inside length and ease">
      <h2>Inside</h2>
      {insideMm == null ? (
        <p className="quiet" data-testid="no-inside">
          {NO_INSIDE[analysis.insideState ?? "open"]}
        </p>
      ) : (
        <p className="big-figure" data-testid="inside">
          <Length mm={insideMm} />
        </p>
      )}
      {times > 1 && insideMm != null && <p className="quiet">At each of its {times} turns, which lie side by side.</p>}
      {insideRule && (
        <p className="quiet">
          Rule of thumb: <Length mm={insideRule.mm} /> = finished length{times > 1 && ` ÷ ${times}`} − π × <Length mm={insideRule.thickMm} />, the typical bead thickness.
        </p>
      )}
      {fit && (
        <p className={`ease ${fit.suits ? "right" : "off"}`} data-testid="ease">
          <b>
            {fit.suits ? "✓ " : "▲ "}
            {fit.word || "ease"}
          </b>
          , <Length mm={fit.easeMm} /> of ease on a {bodyOf(doc).part} of <Length mm={fit.measureMm} />
          {fit.tiedMm ? (
            <>
              {" "}
              when it is tied with <Length mm={fit.tiedMm} /> of cord between its ends
            </>
          ) : null}
        </p>
      )}
      {!fit && insideMm != null && <p className="quiet">Enter a {bodyOf(doc).part} size to see the ease.</p>}
    </section>
  );
}

/** RowsInside gives every row's inside length, which of them the wearer feels first, and chooses the one that is drawn. */
function RowsInside({ bench, analysis, doc, row }: { bench: Bench; analysis: Analysis; doc: Document; row: string }) {
  return (
    <section aria-label="Rows">
      <h2>Rows</h2>
      <RowPicker bench={bench} doc={doc} row={row} />
      <table className="list">
        <tbody>
          {analysis.strands.map((strand, i) => (
            <tr key={strand.id}>
              <th scope="row">
                row {i + 1}
                {strand.id === analysis.rows?.binding && <b> is felt first</b>}
              </th>
              <td className="n">{strand.insideMm === undefined ? "none" : <Length mm={strand.insideMm} />}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

function Passing({ analysis, doc, row }: { analysis: Analysis; doc: Document; row: string }) {
  const passage = analysis.fit!.passage!;
  return (
    <section aria-label={`Over the ${passage.over}`}>
      <h2>Over the {passage.over}</h2>
      <OverTheHand analysis={analysis} doc={doc} row={row} />
      <p className={`ease ${passage.passes ? "right" : "off"}`}>
        <b>{passage.passes ? "✓ it passes" : "✕ it does not pass"}</b>: it opens to <Length mm={passage.stretchedMm} />, the {passage.over} needs <Length mm={passage.needMm} />
        {passage.measured ? "." : passage.over === "hand" ? ", estimated as a quarter more than the wrist." : ", a typical head."}
      </p>
    </section>
  );
}
