import { Button } from "@mui/material";
import { useQueryClient } from "@tanstack/react-query";
import { useRef, useState } from "react";
import { api, unwrap, type House, type HouseState } from "../api/client.ts";
import { Choice } from "../ui/Answers.tsx";
import { LengthField } from "../ui/LengthField.tsx";
import { allRead, RED } from "../ui/reads.ts";
import { useDraft } from "../ui/useDraft.ts";
import { TypedBefore } from "../ui/TypedBefore.tsx";
import { useUnit } from "../ui/UnitContext.tsx";
import { CHOICE_GROUPS } from "../shop/choices.ts";
import { Effects } from "./Effects.tsx";
import { Tables } from "./Tables.tsx";
import { HOUSE_KEY, useHouse } from "../shop/useHouse.ts";
import { useTrial } from "./useTrial.ts";
import "./house.css";

/** HouseRoom edits the shop's own way of working, with reasons for each choice. */
export function HouseRoom() {
  const house = useHouse();
  if (house.isPending) return <main className="pieces quiet">Loading …</main>;
  if (house.isError) {
    return (
      <main className="pieces">
        <h1>House method</h1>
        <p>{house.error.message}</p>
      </main>
    );
  }
  return <HouseForm key={house.data.revision} saved={house.data} />;
}

const MEASURES = [
  { field: "tailMm", label: "Length of a tucked tail" },
  { field: "loopMm", label: "Wire loop, inside" },
  { field: "elasticTailMm", label: "Elastic tail to tie, each end" },
  { field: "childTailMm", label: "Elastic tail, child's piece" },
  { field: "needleMm", label: "Needle for thread, thickness" },
  { field: "fixedLoopMm", label: "Pin for a loop, if fixed" },
] as const;

/** CURLS are what has to hang below a wire to pull its curl out, by its strands, in grams. */
const CURLS = [
  { field: "curl7G", label: "Grams that straighten wire of 7 strands" },
  { field: "curl19G", label: "… of 19 strands" },
  { field: "curl49G", label: "… of 49 strands" },
] as const;

function HouseForm({ saved }: { saved: HouseState }) {
  const { unit, choose } = useUnit();
  const queries = useQueryClient();
  const { value: draft, set: setDraft, changed, ...kept } = useDraft<House>("house", saved.revision, saved.whole);
  const newest = useRef(draft); // what a save that waits for a length takes
  const [says, setSays] = useState<string | null>(null);
  const tried = useTrial(changed ? draft : null, unit);
  const change = (next: Partial<House> | ((now: House) => Partial<House>)) => {
    setSays(null);
    hold({ ...newest.current, ...(typeof next === "function" ? next(newest.current) : next) });
  };
  function hold(house: House) {
    newest.current = house;
    setDraft(house);
  }

  function giveUp() {
    newest.current = saved.whole;
    kept.giveUp();
  }

  async function save() {
    if (!(await allRead())) return setSays(RED);
    try {
      const house = newest.current;
      await unwrap(api.PUT("/api/house", { body: { base: kept.base, house } }));
      kept.forget();
      if (house.unit === "mm" || house.unit === "in") choose(house.unit);
      await queries.invalidateQueries({ queryKey: HOUSE_KEY });
      await queries.invalidateQueries({ queryKey: ["pieces"] });
    } catch (err) {
      setSays((err as Error).message);
    }
  }

  return (
    <main className="house">
      <div className="choices">
        <h1>House method</h1>
        {kept.isBack && <TypedBefore onGiveUp={giveUp} />}
        <p className="quiet">How this shop works. Every piece follows it unless the piece overrides a choice.</p>
        {CHOICE_GROUPS.map((group) => (
          <section key={group.title} aria-label={group.title}>
            <h2>{group.title}</h2>
            {group.choices.map((c) => (
              <Choice
                key={c.field}
                legend={c.title}
                value={draft[c.field] ?? ""}
                options={c.options}
                says={c.why}
                onChange={(value) => change({ [c.field]: value } as Partial<House>)}
              />
            ))}
          </section>
        ))}
        <section aria-label="Measures">
          <h2>Measures</h2>
          {MEASURES.map(({ field, label }) => (
            <div className="measure" key={field}>
              <span>{label}</span>
              <LengthField label={label} mm={draft[field] ?? null} width={90} onChange={(mm) => change({ [field]: mm })} />
            </div>
          ))}
          {CURLS.map(({ field, label }) => (
            <label className="measure" key={field}>
              <span>{label}</span>
              <input type="number" min={0} max={1000} value={draft[field] ?? 0} onChange={(e) => change({ [field]: Math.max(0, Math.min(1000, Number(e.target.value) || 0)) })} />
            </label>
          ))}
          <label className="measure">
            <span>Beads a tail goes back through</span>
            <input type="number" min={0} max={50} value={draft.tailBeads ?? 3} onChange={(e) => change({ tailBeads: Math.max(0, Math.min(50, Number(e.target.value) || 0)) })} />
          </label>
          <Choice
            legend="Units"
            value={draft.unit ?? "mm"}
            options={[
              { value: "mm", label: "mm" },
              { value: "in", label: "inches" },
            ]}
            onChange={(value) => change({ unit: value as House["unit"] })}
          />
        </section>
        <Tables house={draft} onChange={change} />
      </div>
      <aside className="side right" aria-label="Effect on pieces">
        <div className="keep">
          <Button variant="contained" disabled={!changed} onClick={() => void save()}>
            Save
          </Button>
          <Button disabled={!changed} onClick={giveUp}>
            Reset
          </Button>
        </div>
        {says && <p role="alert" className="fault">{says}</p>}
        {!changed && saved.behind > 0 && <p role="status">Lists follow: {saved.behind} pieces are still to be worked out by the new house method.</p>}
        <Effects {...tried} />
      </aside>
    </main>
  );
}
