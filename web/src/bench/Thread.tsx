import { NavLink, useLocation, useNavigate } from "react-router";
import type { BenchState } from "../piece/BenchState.ts";
import { usePageKeys } from "../piece/usePageKeys.ts";
import type { BenchContext } from "../piece/context.ts";

type Bead = "untouched" | "settled" | "wrong";

interface Step {
  to: string;
  name: string;
  bead: Bead;
}

const SAYS: Record<Bead, string> = { untouched: "open", settled: "done", wrong: "has a problem" };
const MARKS: Record<Bead, string> = { untouched: "", settled: "✓", wrong: "!" };

function stepsOf(id: string, { analysis, faults, trouble }: BenchState): Step[] {
  const state = (step: string): Bead => analysis?.thread?.find((t) => t.step === step)?.state ?? "untouched";
  return [
    { to: `/pieces/${id}/decide`, name: "Decide", bead: state("decide") },
    { to: `/pieces/${id}`, name: "Lay out", bead: faults.length > 0 || trouble ? "wrong" : state("lay-out") },
    { to: `/pieces/${id}/fit`, name: "Fit", bead: state("fit") },
    { to: `/pieces/${id}/ends`, name: "Ends and cutting", bead: state("ends") },
    { to: `/pieces/${id}/plan`, name: "Kit sheet", bead: "untouched" },
  ];
}

/** Thread carries the steps of the work in the order they are done, each as a bead on it, and the keys that work at every step. */
export function Thread({ id, bench, state }: BenchContext) {
  const navigate = useNavigate();
  const { pathname } = useLocation();
  usePageKeys((action) => {
    const steps = stepsOf(id, bench.snapshot());
    const here = steps.findIndex((step) => step.to === pathname);
    const next = action === "plan" ? steps.at(-1) : action === "nextStep" ? steps[here + 1] : action === "previousStep" ? steps[here - 1] : undefined;
    if (next) void navigate(next.to);
    else if (action === "undo") bench.undo();
    else if (action === "redo") bench.redo();
    else return false;
    return true;
  });
  return (
    <nav aria-label="Steps of the work">
      <ol className="thread">
        {stepsOf(id, state).map((step) => (
          <li key={step.to}>
            <NavLink to={step.to} end>
              <span className={`bead ${step.bead}`} aria-hidden>
                {MARKS[step.bead]}
              </span>
              {step.name}
              {step.name !== "Kit sheet" && <span className="hidden">: {SAYS[step.bead]}</span>}
            </NavLink>
          </li>
        ))}
      </ol>
    </nav>
  );
}
