import { Button, TextField } from "@mui/material";
import { useQueryClient } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { Link } from "react-router";
import { api, unwrap, type Selling } from "../api/client.ts";
import { NumberField } from "../ui/NumberField.tsx";
import { allRead, RED } from "../ui/reads.ts";
import { useDraft } from "../ui/useDraft.ts";
import { TypedBefore } from "../ui/TypedBefore.tsx";
import { Choice } from "../ui/Answers.tsx";
import { useSelling } from "./useSelling.ts";
import "./kits.css";

const CLASSES: Record<string, string> = {
  seed: "Seed beads, up to 4 mm", bead: "Other beads", focal: "What a piece has once", component: "Components made by the shop", crimp: "Crimps", ring: "Rings", extender: "Extenders, single links", finding: "Other findings", cord: "Cord, of its length",
};
const WORK: [string, string][] = [
  ["count", "Count out one line"], ["cut", "Cut a length"], ["make", "Make a component"], ["string", "String a bead"], ["crimp", "Press a crimp"], ["knot", "Tie a knot"], ["open", "Open and close a ring"], ["pack", "Pack a bag"],
];

/** SellingRoom edits how the shop packs and prices its kits. */
export function SellingRoom() {
  const found = useSelling();
  useEffect(() => {
    document.title = "Packing and prices · Mala";
  }, []);
  if (!found.data) {
    return (
      <main className="view">
        <div className="window">{found.error ? <p role="alert">{found.error.message}</p> : <p className="quiet">Opening …</p>}</div>
      </main>
    );
  }
  return <SellingForm key={found.data.revision} revision={found.data.revision} saved={found.data.selling} />;
}

function SellingForm({ revision, saved }: { revision: number; saved: Selling }) {
  const queries = useQueryClient();
  const { value: draft, set: setDraft, ...kept } = useDraft("selling", revision, saved);
  const [says, setSays] = useState<string | null>(null);
  const change = (next: Partial<Selling>) => {
    setSays(null);
    setDraft((now) => ({ ...now, ...next }));
  };
  async function save() {
    if (!(await allRead())) return setSays(RED);
    try {
      await unwrap(api.PUT("/api/selling", { body: { base: kept.base, selling: draft } }));
      kept.forget();
      await Promise.all(["selling", "kit-matrix", "kit-bill"].map((key) => queries.invalidateQueries({ queryKey: [key] })));
    } catch (err) {
      setSays((err as Error).message);
    }
  }
  return (
    <main className="view">
      <header className="head">
        <div className="title">
          <h1 style={{ fontSize: "1.55rem" }}>Packing and prices</h1>
        </div>
        <Link to="/kits" className="link">
          All kits
        </Link>
        <Button disabled={!kept.changed} onClick={kept.giveUp}>
          Reset
        </Button>
        <Button variant="contained" disabled={!kept.changed} onClick={() => void save()}>
          Save
        </Button>
      </header>
      <div className="window selling">
        {kept.isBack && <TypedBefore onGiveUp={kept.giveUp} />}
        {says && <p role="alert">{says}</p>}
        <section aria-label="Price">
          <h2>Price</h2>
          <Choice
            legend="The price follows by"
            value={draft.way}
            options={[
              { value: "margin", label: "margin" },
              { value: "mark-up", label: "mark-up" },
            ]}
            says={draft.way === "margin" ? "The percentage of the price that the shop keeps." : "The percentage added to the cost."}
            onChange={(way) => change({ way: way as Selling["way"] })}
          />
          <div className="fields">
            <NumberField key={draft.way} label={draft.way === "margin" ? "Margin, %" : "Mark-up, %"} value={draft.keeps} onChange={(n) => change({ keeps: n ?? 0 })} />
            <NumberField label="Overhead, % of costs" value={draft.overhead} onChange={(n) => change({ overhead: n ?? 0 })} />
            <NumberField label="Tax, % (blank: none)" value={draft.tax} onChange={(n) => change({ tax: n ?? 0 })} />
            <Words label="Rounded up to" value={draft.step} most={12} onChange={(step) => change({ step })} />
            <Words label="less" value={draft.less} most={12} onChange={(less) => change({ less })} />
            <Words label="Currency" value={draft.currency} most={8} onChange={(currency) => change({ currency })} />
          </div>
        </section>
        <section aria-label="Work">
          <h2>Work</h2>
          <div className="fields">
            <Words label="An hour costs" value={draft.perHour} most={12} onChange={(perHour) => change({ perHour })} />
            {WORK.map(([work, says]) => (
              <NumberField key={work} label={`${says}, s`} value={draft.seconds[work]} onChange={(n) => change({ seconds: { ...draft.seconds, [work]: Math.round(n ?? 0) } })} />
            ))}
          </div>
        </section>
        <section aria-label="Spares">
          <h2>Spares</h2>
          <p className="quiet">A fixed number, or the share rounded up, whichever is more. They are packed apart from what the maker counts.</p>
          <table className="list spares">
            <tbody>
              {draft.spares.map((rule, i) => {
                const put = (next: Partial<typeof rule>) => change({ spares: draft.spares.map((r, k) => (k === i ? { ...r, ...next } : r)) });
                return (
                  <tr key={rule.class}>
                    <th scope="row">{CLASSES[rule.class]}</th>
                    <td>{rule.class !== "cord" && <NumberField label="at least" value={rule.least} onChange={(n) => put({ least: Math.round(n ?? 0) })} />}</td>
                    <td>
                      <NumberField label="%" value={rule.percent} onChange={(n) => put({ percent: n ?? 0 })} />
                    </td>
                  </tr>
                );
              })}
            </tbody>
          </table>
          <label className="tick">
            <input type="checkbox" checked={draft.learner} onChange={(e) => change({ learner: e.target.checked })} /> every cord a second working allowance longer, for whoever strings for the first time
          </label>
        </section>
        <section aria-label="In every kit">
          <h2>In every kit</h2>
          {draft.extras.map((extra, i) => {
            const put = (next: Partial<typeof extra>) => change({ extras: draft.extras.map((e, k) => (k === i ? { ...e, ...next } : e)) });
            return (
              <div key={i} className="fields extra">
                <Words label="What" value={extra.name} most={60} onChange={(name) => put({ name })} />
                <NumberField label="How many" value={extra.count} onChange={(n) => put({ count: Math.round(n ?? 0) })} />
                <Words label="Each costs" value={extra.cost} most={12} onChange={(cost) => put({ cost })} />
                <Button size="small" onClick={() => change({ extras: draft.extras.filter((_, k) => k !== i) })} aria-label={`Remove ${extra.name || "this"}`}>
                  Remove
                </Button>
              </div>
            );
          })}
          {draft.extras.length < 24 && (
            <Button size="small" onClick={() => change({ extras: [...draft.extras, { name: "", count: 1, cost: "" }] })}>
              Add something
            </Button>
          )}
        </section>
      </div>
    </main>
  );
}

function Words({ label, value, most, onChange }: { label: string; value: string; most: number; onChange: (value: string) => void }) {
  return <TextField label={label} value={value} onChange={(e) => onChange(e.target.value)} slotProps={{ htmlInput: { maxLength: most, autoComplete: "off" } }} />;
}
