import { Button, LinearProgress } from "@mui/material";
import { Link } from "react-router";
import type { PieceByHouse } from "../api/client.ts";
import { formatLength } from "../units/length.ts";
import { useUnit } from "../ui/UnitContext.tsx";
import type { Trial } from "./useTrial.ts";

interface Props {
  trial: Trial | null;
  stop: () => void;
  again: () => void;
}

type Figures = PieceByHouse["effect"]["before"];

/** LISTED is how many pieces are listed at most. */
const LISTED = 200;

/** Effects lists what saving the changed house method would change in each piece, while they are gone through. */
export function Effects({ trial, stop, again }: Props) {
  if (!trial) return <p className="quiet">Change a choice to see here what it would change in every piece, before you save.</p>;
  const { done, pieces, changed, state, says } = trial;
  return (
    <section aria-label="Effect on pieces">
      <h2>Effect on pieces</h2>
      {says && <p role="alert" className="fault">{says}</p>}
      {state === "running" && (
        <div className="trying">
          <LinearProgress variant={pieces ? "determinate" : "indeterminate"} value={(100 * done) / Math.max(1, pieces)} aria-label="Pieces tried" />
          <span>
            {pieces ? `${done} of ${pieces} pieces` : "Calculating …"}
          </span>
          <Button size="small" onClick={stop}>
            Stop
          </Button>
        </div>
      )}
      <p role="status">
        {state === "ended" && `${changed.length} of ${pieces} pieces would change.`}
        {state === "stopped" && `Of the first ${done} pieces ${changed.length} would change.`}
      </p>
      {state === "stopped" && (
        <Button size="small" onClick={again}>
          Try all pieces
        </Button>
      )}
      {changed.slice(0, LISTED).map((p) => (
        <div className="effect" key={p.id}>
          <Link to={`/pieces/${p.id}/ends`}>{p.name}</Link>
          <Moved before={p.effect.before} after={p.effect.after} />
        </div>
      ))}
      {changed.length > LISTED && <p className="quiet">The first {LISTED} are listed.</p>}
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
