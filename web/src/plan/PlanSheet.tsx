import { isDrop, isGap, isLoop, rowOf, rowsOf } from "../api/piece.ts";
import { useMemo, type Ref } from "react";
import type { Analysis, Document, PartOf, Strand, VersionNote } from "../api/client.ts";
import { nameAmong, sizedWord, sizeOf } from "../shop/size.ts";
import { drawWhole } from "../draw/drawWhole.ts";
import { usePicture } from "../pictures/usePicture.ts";
import { linksOf } from "../tally/Tally.tsx";
import { SHAPES } from "../pictures/WholePiece.tsx";
import { formatLength } from "../units/length.ts";
import { useUnit } from "../ui/UnitContext.tsx";
import { problems, SEVERITY } from "../problems/severity.ts";
import { RowsTable } from "./RowsTable.tsx";

interface Props {
  doc: Document;
  analysis: Analysis;
  version: VersionNote | null;
  /** The photograph that stands in place of the drawing, as data. */
  photo: string | null;
  ref: Ref<HTMLDivElement>;
}

/** PlanSheet is the one page that goes to the bench: picture, runs, tally, ends, cut, checks, cautions. */
export function PlanSheet({ doc, analysis, version, photo, ref }: Props) {
  const { unit } = useUnit();
  const text = (mm: number) => formatLength(mm, unit);
  const rows = analysis.strands.map((strand, i): RowOnPaper => ({ strand, ofSeveral: analysis.strands.length > 1 ? ` of row ${i + 1}` : "" }));
  const one = analysis.strands.length === 1 ? analysis.strands[0] : undefined;
  const name = (id: string | undefined) => doc.materials.find((m) => m.id === id)?.name ?? "";
  const size = (id: string) => {
    const m = doc.materials.find((one) => one.id === id);
    return m ? [sizeOf(m, analysis.drawing?.outlines[id]), sizedWord(m)].filter(Boolean).join(", ") : "";
  };
  const keyOf = (id: string) => Object.keys(doc.palette).find((key) => doc.palette[key] === id) ?? "";

  return (
    <article className="sheet" ref={ref}>
      <header>
        <h1>{doc.name}</h1>
        <p className="stamp">{version ? stampOf(version) : "unsaved version"}</p>
      </header>
      <div className="first">
        {photo ? <img className="photograph" src={photo} width={PICTURE.width} alt={`Photograph of ${doc.name}`} /> : <Picture doc={doc} analysis={analysis} />}
        <div>
          <table>
            <caption>Length</caption>
            <tbody>
              <Line what={analysis.hanger ? "From loop to foot" : one ? "Finished, closed" : "Finished, closed, row 1"} value={text(analysis.finishedMm)} />
              {analysis.target && <Line what="Target" value={`${text(analysis.target.finishedMm)} ± ${text(analysis.target.toleranceMm)}`} />}
              {analysis.fit && <Line what={`Ease on ${text(analysis.fit.measureMm)}${doc.body?.for ? `, ${doc.body.for}` : ""}`} value={`${text(analysis.fit.easeMm)}, ${analysis.fit.word}`} />}
              {one && <Line what={one.ring ? "Strung, round the ring" : "Strung, bead to bead"} value={text(one.strungMm)} />}
              {one && one.slackMm > 0 && <Line what="Slack" value={text(one.slackMm)} />}
              {analysis.insideMm != null ? (
                <Line what="Inside" value={text(analysis.insideMm)} />
              ) : (
                analysis.insideRule && <Line what="Inside, by rule of thumb" value={text(analysis.insideRule.mm)} />
              )}
            </tbody>
          </table>
          {one && (
            <table>
              <caption>
                Cut {name(rowOf(doc).cord).toLowerCase()}, {size(rowOf(doc).cord ?? "")}
              </caption>
              <tbody>
                {one.cut.map((c) => (
                  <Line key={c.part} what={c.part} value={c.read[unit]} />
                ))}
                <Line what="Total cut" value={one.cutRead[unit]} sum />
              </tbody>
            </table>
          )}
        </div>
        <table>
          <caption>Materials</caption>
          <tbody>
            {analysis.tally.flatMap((c) => [
              <Line key={c.material} what={`${keyOf(c.material)} ${name(c.material)}, ${doc.materials.find((m) => m.id === c.material)?.type === "chain" ? linksOf(c) : size(c.material)}`.trim()} value={c.cutMm !== undefined ? text(c.cutMm) : String(c.count)} />,
              ...flat(c.parts).map(({ part, level }, i) => (
                <Line key={`${c.material} ${i}`} what={`${"· ".repeat(level)}${name(part.material)}, ${size(part.material)}`} value={part.mm ? text(part.mm) : String(part.count)} />
              )),
            ])}
            <Line what="Total beads" value={String(analysis.beads)} sum />
          </tbody>
        </table>
      </div>
      {!one && <RowsTable doc={doc} strands={analysis.strands} unit={unit} text={text} named={(id) => `${name(id).toLowerCase()}, ${size(id)}`} />}
      {rows.map(({ strand, ofSeveral }) => (
        <section key={strand.id}>
          <h2>
            {ofSeveral && `Row${ofSeveral.slice(" of row".length)}: `}
            {strand.start.side === "right" ? "String from the right, from the fold" : strand.outwards ? "String from the centre: to the right, then to the left" : analysis.hanger ? "String from the foot up" : "String from the left"}
          </h2>
          <p className="bead-line">{strand.line}</p>
          {strand.riders && (
            <p className="bead-line">
              {rowOf(doc, strand.id).riders} slide over it: they take {text(strand.riders.longMm)} of {text(strand.riders.runMm)}
            </p>
          )}
          <ol className={`runs ${crowd(strand.runs.length)}`}>
            {(strand.outwards ?? strand.runs).map((run, i, all) => (
              <li key={`${run.side} ${run.first}`}>
                <span className="box" aria-hidden />
                {isGap(run.key) ? (
                  <em>gap of {text(strand.placed[run.first].alongMm)}</em>
                ) : isDrop(run.key) ? (
                  <>
                    <b>{run.count}</b> {isLoop(run.key) ? "loop" : "drop"} {run.key}
                  </>
                ) : (
                  <>
                    <b>{run.count}</b> {crowd(strand.runs.length) === "crowded" ? keyOf(run.material) : nameAmong(doc, run.material)}
                  </>
                )}
                {run.turned && <em> reversed</em>}
                {run.free && <em> any order</em>}
                {run.side && run.side !== all[i - 1]?.side && <em> {run.side === "right" ? "to the right" : "to the left"}</em>}
                <span className="reach">{run.reachedMm !== undefined && text(run.reachedMm)}</span>
              </li>
            ))}
          </ol>
        </section>
      ))}
      <div className="ends">
        {endsApart(rows, doc).flatMap(({ strand, ofSeveral }) => [
          <EndList key={`${strand.id} left`} title={`Left end${ofSeveral}, from the last bead outwards`} steps={strand.leftEnd ?? []} />,
          <EndList key={`${strand.id} right`} title={`Right end${ofSeveral}, from the last bead outwards`} steps={strand.rightEnd ?? []} />,
        ])}
      </div>
      <section className="tools-list">
        <h2>Tools</h2>
        <ul>
          {analysis.tools?.map((tool) => (
            <li key={tool.name}>
              <b>{tool.name}</b> {tool.for}
              {tool.optional && <em>, optional</em>}
            </li>
          ))}
        </ul>
      </section>
      <section>
        <h2>Instructions</h2>
        <ol className="steps">
          {analysis.steps?.map((step, i) => (
            <li key={i} className={step.must ? "gate" : undefined}>
              {step.must ? (
                <>
                  <b>{step.says}:</b>
                  {step.must.map((must) => (
                    <span className="must" key={must}>
                      <span className="box" aria-hidden /> {must}
                    </span>
                  ))}
                </>
              ) : (
                step.says
              )}
            </li>
          ))}
        </ol>
      </section>
      <Problems checks={analysis.checks} />
      <section className="cautions">
        <h2>Cautions</h2>
        <ul>
          {analysis.cautions.map((c) => (
            <li key={c.code}>{c.says}</li>
          ))}
        </ul>
      </section>
    </article>
  );
}

/** RowOnPaper is a row, and of several what tells it from the others. */
interface RowOnPaper {
  strand: Strand;
  ofSeveral: string;
}

/** endsApart leaves out rows whose ends are made as those of the row before: they are described once for all. */
function endsApart(rows: RowOnPaper[], doc: Document): RowOnPaper[] {
  const ends = (row: RowOnPaper) => [...(row.strand.leftEnd ?? []), "|", ...(row.strand.rightEnd ?? [])].join();
  const groups: RowOnPaper[][] = [];
  for (const row of rows) {
    const last = groups.at(-1);
    if (last && ends(last[0]) === ends(row)) last.push(row);
    else groups.push([row]);
  }
  const numbers = (group: RowOnPaper[]) => group.map(({ strand }) => rowsOf(doc).findIndex((row) => row.id === strand.id) + 1);
  return groups.map((group) => ({ ...group[0], ofSeveral: group.length > 1 ? ` of rows ${numbers(group)[0]} to ${numbers(group).at(-1)}` : group[0].ofSeveral }));
}

/** Problems are those of the piece, and those that are ignored with their reasons. */
function Problems({ checks }: { checks: Analysis["checks"] }) {
  if (checks.length === 0) return null;
  const open = checks.filter((c) => !c.waived).length;
  return (
    <section className="open-checks">
      <h2>{open > 0 ? problems(open) : "Ignored problems"}</h2>
      <ul>
        {checks.map((c, i) => (
          <li key={i}>
            <b>{c.title}.</b> {c.says} {c.waived ? <em>Ignored: {c.waived}</em> : `(${SEVERITY[c.severity].says})`}
          </li>
        ))}
      </ul>
    </section>
  );
}

/** crowd says how tightly this many runs are set, to keep the plan on one page; crowded, they go by their letters. */
function crowd(runs: number): "" | "many" | "crowded" {
  if (runs > 130) return "crowded";
  return runs > 54 ? "many" : "";
}

function stampOf(version: VersionNote): string {
  return `version ${version.number}${version.label ? `, ${version.label},` : ""} of ${new Date(version.createdAt).toLocaleString([], { dateStyle: "medium", timeStyle: "short" })}`;
}

function Line({ what, value, sum = false }: { what: string; value: string; sum?: boolean }) {
  return (
    <tr className={sum ? "sum" : undefined}>
      <th scope="row">{what}</th>
      <td>{value}</td>
    </tr>
  );
}

function EndList({ title, steps }: { title: string; steps: string[] }) {
  return (
    <section>
      <h2>{title}</h2>
      <ol>
        {steps.map((step, i) => (
          <li key={i}>{step}</li>
        ))}
      </ol>
    </section>
  );
}

const PICTURE = { width: 236, height: 250, sharp: 4 };

/** Picture paints the piece once, sharp enough for paper. */
function Picture({ doc, analysis }: { doc: Document; analysis: Analysis }) {
  const drawn = usePicture(analysis, doc);
  const source = useMemo(() => {
    const canvas = document.createElement("canvas");
    canvas.width = PICTURE.width * PICTURE.sharp;
    canvas.height = PICTURE.height * PICTURE.sharp;
    const ctx = canvas.getContext("2d")!;
    if (drawn) drawWhole(ctx, { drawn, bare: true, tone: "light", width: canvas.width, height: canvas.height, mostPx: 4 * PICTURE.sharp });
    return canvas.toDataURL("image/png");
  }, [drawn]);
  return <img src={source} width={PICTURE.width} height={PICTURE.height} alt={`${doc.name}, ${SHAPES[drawn?.picture.whole?.shape ?? "circle"]}`} />;
}

/** flat lists the parts of a component and theirs, each with how deep it lies. */
function flat(parts: PartOf[] | undefined, level = 1): { part: PartOf; level: number }[] {
  return (parts ?? []).flatMap((part) => [{ part, level }, ...flat(part.parts, level + 1)]);
}
