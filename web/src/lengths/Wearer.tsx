import { ToggleButton, ToggleButtonGroup } from "@mui/material";
import type { Document } from "../api/client.ts";
import type { Bench } from "../piece/Bench.ts";
import { useHouse } from "../shop/useHouse.ts";
import { Choice } from "../ui/Answers.tsx";
import { LengthField } from "../ui/LengthField.tsx";
import { Length } from "../ui/UnitContext.tsx";

type Body = NonNullable<Document["body"]>;

const PARTS: { value: Body["part"]; label: string }[] = [
  { value: "wrist", label: "Wrist" },
  { value: "neck", label: "Neck" },
  { value: "ankle", label: "Ankle" },
];

const PART_OF: Record<string, Body["part"]> = { necklace: "neck", bracelet: "wrist", anklet: "ankle" };

/** bodyOf is the wearer; without one, the body part that the kind is worn on. */
export function bodyOf(doc: Document): Body {
  return doc.body ?? { part: PART_OF[doc.kind] ?? "wrist" };
}

const MOST_TIMES = 12;

/** TimesRound asks how often a long piece goes round the body. */
function TimesRound({ times, part, onChange }: { times: number; part: string; onChange: (times: number) => void }) {
  return (
    <fieldset>
      <legend>How many times round the {part}?</legend>
      <span className="times-round">
        <button type="button" aria-label="One turn fewer" disabled={times <= 1} onClick={() => onChange(times - 1)}>
          −
        </button>
        <output aria-label={`Times round the ${part}`}>{times === 1 ? "once" : `${times} times`}</output>
        <button type="button" aria-label="One turn more" disabled={times >= MOST_TIMES} onClick={() => onChange(times + 1)}>
          +
        </button>
      </span>
    </fieldset>
  );
}

/** Wearer takes the wearer: by measure, by standard size or by age, and how it should sit. */
export function Wearer({ bench, doc }: { bench: Bench; doc: Document }) {
  const house = useHouse().data?.whole;
  const body = bodyOf(doc);
  const slipsOn = doc.closure.type === "knot" || doc.closure.type === "none" || doc.closure.type === "bar";
  const change = (next: Partial<Body>) => {
    const now = bench.snapshot().doc;
    void bench.apply({ do: "set-body", body: { ...bodyOf(now), ...next } });
  };
  const sizes = house?.sizes?.filter((s) => s.part === body.part) ?? [];
  const words = house?.ease?.filter((e) => e.part === body.part && (e.stretch ?? false) === slipsOn) ?? [];
  return (
    <>
      <Choice legend="Where is it worn?" value={body.part} options={PARTS} onChange={(part) => change({ part, for: undefined, fit: undefined })} />
      <fieldset>
        <legend>{body.part[0].toUpperCase() + body.part.slice(1)} measurement</legend>
        <LengthField label={`Measure of the ${body.part}`} mm={body.measureMm ?? null} placeholder="not specified" width={110} onChange={(measureMm) => change({ measureMm, for: undefined })} onClear={() => change({ measureMm: undefined, for: undefined })} />
        {body.for && <span className="quiet"> ({body.for})</span>}
        {sizes.length > 0 && (
          <div className="sizes" role="group" aria-label="Standard sizes and ages">
            {sizes.map((s) => (
              <button type="button" key={s.name} className="size-chip" aria-pressed={body.for === s.name} onClick={() => change({ measureMm: s.measureMm, for: s.name, child: s.child || undefined })}>
                {s.name} <Length mm={s.measureMm} />
              </button>
            ))}
          </div>
        )}
      </fieldset>
      <TimesRound times={body.times ?? 1} part={body.part} onChange={(times) => change({ times: times > 1 ? times : undefined })} />
      {slipsOn && body.part !== "ankle" && (
        <fieldset>
          <legend>What must it pass?</legend>
          {body.part === "wrist" ? (
            <LengthField label="Measure of the hand" mm={body.handMm ?? null} placeholder="hand not specified" width={130} onChange={(handMm) => change({ handMm })} onClear={() => change({ handMm: undefined })} />
          ) : (
            <LengthField label="Measure of the head" mm={body.headMm ?? null} placeholder="head not specified" width={130} onChange={(headMm) => change({ headMm })} onClear={() => change({ headMm: undefined })} />
          )}
        </fieldset>
      )}
      {words.length > 1 && (
        <fieldset>
          <legend>How should it sit?</legend>
          <ToggleButtonGroup exclusive size="small" color="primary" value={body.fit ?? ""} onChange={(_, fit: string | null) => fit !== null && change({ fit: fit || undefined })} aria-label="How should it sit?">
            {words.map((e) => (
              <ToggleButton key={e.word} value={e.word} sx={{ textTransform: "none", px: 1.8, fontWeight: 600 }}>
                {e.word}
              </ToggleButton>
            ))}
            <ToggleButton value="" sx={{ textTransform: "none", px: 1.8, fontWeight: 600 }}>
              any
            </ToggleButton>
          </ToggleButtonGroup>
        </fieldset>
      )}
      <label className="tick">
        <input type="checkbox" checked={body.child ?? false} onChange={(e) => change({ child: e.target.checked || undefined })} /> For a child
      </label>
    </>
  );
}
