import { Button } from "@mui/material";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState, type KeyboardEvent } from "react";
import { Link, useLocation } from "react-router";
import { api, unwrap, type VersionNote } from "../api/client.ts";
import { useBenchContext, type BenchContext, type Compared } from "../piece/context.ts";
import { OneScale } from "../pictures/OneScale.tsx";
import { WholePicture } from "../pictures/WholePicture.tsx";
import { compare, type Side } from "../compare/compare.ts";
import { DifferenceTable } from "../compare/DifferenceTable.tsx";
import { DRAFT, useSide } from "../compare/useSide.ts";
import { useMade } from "../lengths/useMade.ts";
import "./variants.css";

const PROPOSAL = -1;

/** VariantsRoom shows the piece as it is beside a variant: one that was set aside, another version, or a proposal; with the difference. */
export function VariantsRoom() {
  const context = useBenchContext();
  const { id, state } = context;
  const compared = (useLocation().state ?? undefined) as Compared | undefined;
  const versions = useQuery({ queryKey: ["versions", id], queryFn: () => unwrap(api.GET("/api/pieces/{id}/versions", { params: { path: { id } } })), refetchOnMount: "always" });
  const [chosen, setChosen] = useState<number | null>(null);
  const numbers = [...(compared ? [PROPOSAL] : []), ...(versions.data ?? []).map((v) => v.number)];
  const at = chosen !== null && numbers.includes(chosen) ? chosen : numbers[0];
  const own: Side = { name: "as it is", doc: state.doc, analysis: state.behind ? null : state.analysis };
  const version = useSide(id, at === PROPOSAL || at === undefined ? DRAFT : at, own);
  const made = useMade(state.analysed, compared?.operations ?? [], compared?.says ?? "");
  const other = at === undefined ? null : at === PROPOSAL ? made && compared && { name: "the proposal", doc: made.doc, analysis: made.analysis } : version && { ...version, name: labelOf(versions.data?.find((v) => v.number === at)) };

  function onKey(event: KeyboardEvent) {
    const by = event.key === "ArrowRight" ? 1 : event.key === "ArrowLeft" ? -1 : 0;
    if (by === 0 || (event.target as HTMLElement).closest("select, input") || numbers.length === 0) return;
    setChosen(numbers[(numbers.indexOf(at) + by + numbers.length) % numbers.length]);
    event.preventDefault();
  }

  return (
    <div className="variants" onKeyDown={onKey}>
      <header>
        <h2>Two variants side by side</h2>
        <SetAside {...context} onDone={setChosen} count={versions.data?.length ?? 0} />
        <Link to="../decide" relative="path" className="link">
          Back to Decide
        </Link>
      </header>
      <OneScale>
        <div className="pair">
          <section aria-label="As it is">
            <h3>As it is</h3>
            <WholePicture analysis={own.analysis} doc={own.doc} bare says={`${own.doc.name} as it is`} />
          </section>
          <section aria-label="The other variant" tabIndex={0}>
            <h3>
              <select aria-label="The other variant" value={at ?? ""} disabled={numbers.length === 0} onChange={(e) => setChosen(Number(e.target.value))}>
                {numbers.length === 0 && <option value="">no other variant yet</option>}
                {numbers.map((number) => (
                  <option key={number} value={number}>
                    {number === PROPOSAL ? `Proposal: ${compared!.says}` : labelOf(versions.data?.find((v) => v.number === number))}
                  </option>
                ))}
              </select>
            </h3>
            {other ? <WholePicture analysis={other.analysis} doc={other.doc} bare says={`${other.doc.name}, ${other.name}`} /> : <p role="status">Set this one aside, then change the piece: here both lie side by side.</p>}
            {other && at !== undefined && <GoOn {...context} number={at} compared={compared} />}
          </section>
        </div>
      </OneScale>
      {other && <DifferenceTable differences={compare(own, other)} names={[own.name, other.name]} />}
    </div>
  );
}

const labelOf = (v: VersionNote | undefined) => (v ? v.label || `version ${v.number}` : "");

/** SetAside saves the piece as it is as a variant, under a name of its own. */
function SetAside({ id, bench, onDone, count }: BenchContext & { onDone: (number: number) => void; count: number }) {
  const queries = useQueryClient();
  const [says, setSays] = useState<string | null>(null);
  async function save() {
    try {
      if (!(await bench.flush())) throw new Error("The draft is not saved yet. Try again when it is.");
      const made = await unwrap(api.POST("/api/pieces/{id}/versions", { params: { path: { id } }, body: { reason: "named", label: `Variant ${count + 1}` } }));
      await queries.invalidateQueries({ queryKey: ["versions", id] });
      onDone(made.number);
      setSays(`Set aside as ${made.label}.`);
    } catch (err) {
      setSays((err as Error).message);
    }
  }
  return (
    <>
      <Button variant="outlined" size="small" onClick={() => void save()}>
        Set this one aside
      </Button>
      {says && <span role="status">{says}</span>}
    </>
  );
}

/** GoOn makes the other variant the piece: a version is restored, and what it replaces kept; a proposal is carried out. */
function GoOn({ id, bench, number, compared }: BenchContext & { number: number; compared: Compared | undefined }) {
  const queries = useQueryClient();
  const [says, setSays] = useState<string | null>(null);
  async function go() {
    try {
      if (number === PROPOSAL) {
        await bench.apply(...compared!.operations);
        return;
      }
      if (!(await bench.flush())) throw new Error("The draft is not saved yet. Try again when it is.");
      bench.restored(await unwrap(api.POST("/api/pieces/{id}/versions/{number}/restore", { params: { path: { id, number } } })));
      await queries.invalidateQueries({ queryKey: ["versions", id] });
      setSays("The piece now uses this variant. Its previous state was saved as a version.");
    } catch (err) {
      setSays((err as Error).message);
    }
  }
  return (
    <p>
      <Button variant="contained" size="small" onClick={() => void go()}>
        Go on with this one
      </Button>{" "}
      {says && <span role="status">{says}</span>}
    </p>
  );
}
