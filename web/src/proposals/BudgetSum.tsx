import type { Ways } from "../api/client.ts";
import { Length } from "../ui/UnitContext.tsx";

/** BudgetSum shows what a length is made up of: what ends, clasp and slack take of it, and what is left for the beads. */
export function BudgetSum({ want, budget }: { want: number; budget: NonNullable<Ways["budget"]> }) {
  return (
    <p className="budget" data-testid="budget">
      <Length mm={want} /> − ends and clasp <Length mm={budget.endsMm} />
      {budget.slackMm > 0 && (
        <>
          {" "}
          − slack <Length mm={budget.slackMm} />
        </>
      )}{" "}
      = beads <Length mm={budget.beadsMm} />
    </p>
  );
}
