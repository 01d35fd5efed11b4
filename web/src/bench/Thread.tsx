import { NavLink, useLocation, useNavigate } from "react-router";
import type { Check } from "../api/client.ts";
import type { BenchState } from "../piece/BenchState.ts";
import { usePageKeys } from "../piece/usePageKeys.ts";
import type { BenchContext } from "../piece/context.ts";
import { openProblems, problems } from "../problems/severity.ts";

interface Step {
  to: string;
  name: string;
  /** How the bead is painted. */
  bead: "untouched" | "settled" | "wrong" | "better";
  /** How many of the piece's problems are put right here. */
  problems: number;
}

function stepsOf(id: string, { analysis, faults }: BenchState): Step[] {
  const open = faults.length > 0 ? [] : openProblems(analysis);
  const step = (name: string, of: Check["step"], path = ""): Step => {
    const here = open.filter((c) => c.step === of);
    const unread = faults.length > 0 && of === "lay-out";
    const grave = unread || here.some((c) => c.severity !== "advise");
    const settled = analysis?.thread?.find((t) => t.step === of)?.state === "untouched" ? "untouched" : "settled";
    return { to: `/pieces/${id}${path}`, name, bead: grave ? "wrong" : here.length > 0 ? "better" : settled, problems: unread ? 1 : here.length };
  };
  return [
    step("Decide", "decide", "/decide"),
    step("Lay out", "lay-out"),
    step("Fit", "fit", "/fit"),
    step("Ends and cutting", "ends", "/ends"),
    { to: `/pieces/${id}/plan`, name: "Instructions", bead: "untouched", problems: 0 },
  ];
}

/** Thread carries the steps of the work in the order they are done, each as a bead on it with the number of its problems, and the keys that work at every step. */
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
                {step.problems > 0 ? step.problems : step.bead === "settled" ? "✓" : ""}
              </span>
              {step.name}
              {step.name !== "Instructions" && <span className="hidden">: {step.problems > 0 ? problems(step.problems) : step.bead === "settled" ? "done" : "open"}</span>}
            </NavLink>
          </li>
        ))}
      </ol>
    </nav>
  );
}
