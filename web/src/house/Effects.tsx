import { Link } from "react-router";
import type { HouseEffects } from "../api/client.ts";
import { formatLength } from "../units/length.ts";
import { useUnit } from "../units/UnitContext.tsx";

interface Props {
  changed: boolean;
  effects: HouseEffects | undefined;
  fault: string | undefined;
}

type Figures = HouseEffects["changed"][number]["effect"]["before"];

/** Effects lists what saving the changed house method would change in each piece. */
export function Effects({ changed, effects, fault }: Props) {
  if (!changed) return <p className="quiet">Change a choice to see here what it would change in every piece, before you save.</p>;
  if (fault) return <p role="alert" className="fault">{fault}</p>;
  if (!effects) return <p className="quiet">Calculating …</p>;
  return (
    <section aria-label="Effect on pieces" role="status">
      <h2>Effect on pieces</h2>
      <p>
        {effects.changed.length} of {effects.pieces} pieces would change.
      </p>
      {effects.changed.map((p) => (
        <div className="effect" key={p.id}>
          <Link to={`/pieces/${p.id}/ends`}>{p.name}</Link>
          <Moved before={p.effect.before} after={p.effect.after} />
        </div>
      ))}
    </section>
  );
}

function Moved({ before, after }: { before: Figures; after: Figures }) {
  const { unit } = useUnit();
  const lines: string[] = [];
  const length = (name: string, a: number, b: number) => {
    if (Math.abs(a - b) > 0.05) lines.push(`${name} ${formatLength(a, unit)} → ${formatLength(b, unit)}`);
  };
  length("finished", before.finishedMm, after.finishedMm);
  length("slack", before.slackMm, after.slackMm);
  length("cut", before.cutMm, after.cutMm);
  if (before.beads !== after.beads) lines.push(`beads ${before.beads} → ${after.beads}`);
  const gone = before.checks.filter((c) => !after.checks.includes(c));
  const come = after.checks.filter((c) => !before.checks.includes(c));
  if (come.length > 0) lines.push(`new: ${come.join(", ")}`);
  if (gone.length > 0) lines.push(`fixed: ${gone.join(", ")}`);
  if (before.steps !== after.steps) lines.push(`${after.steps} steps instead of ${before.steps}`);
  if (after.endsDiffer && !before.endsDiffer) lines.push("its ends would differ from the house method");
  if (before.endsDiffer && !after.endsDiffer) lines.push("its ends would follow the house method");
  return (
    <ul>
      {lines.map((line) => (
        <li key={line}>{line}</li>
      ))}
    </ul>
  );
}
