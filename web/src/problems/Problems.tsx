import { useEffect, useRef, useState } from "react";
import type { BenchContext } from "../piece/context.ts";
import { ProblemList } from "./ProblemList.tsx";
import { openProblems, problems } from "./severity.ts";
import { useFixes } from "./useFixes.ts";
import "./problems.css";

/** Problems says on every view of a piece how many problems it has, fixes the first that can be fixed, and opens the list of all. */
export function Problems({ id, bench, state }: BenchContext) {
  const [shown, setShown] = useState(false);
  const counts = useRef<HTMLButtonElement>(null);
  const list = useRef<HTMLElement>(null);
  const fixes = useFixes(state);
  const unread = state.faults.length > 0;
  const open = unread ? [] : openProblems(state.analysis);
  const first = open.find((check) => fixes.get(check));
  const fix = first && fixes.get(first);
  useStays(shown ? list : counts, state.analysis);

  if (!state.analysis && !unread) return <div className="problems-line none" />;
  const worst = unread ? "stop" : open[0]?.severity;
  const says = problems(unread ? 1 : open.length);
  return (
    <div
      className={`problems-line ${worst ?? "none"}`}
      onKeyDown={(e) => {
        if (e.key !== "Escape" || !shown) return;
        setShown(false);
        counts.current?.focus();
      }}
    >
      <button ref={counts} type="button" className="counts" aria-expanded={shown} aria-controls="problems" onClick={() => setShown(!shown)}>
        {!worst && <span aria-hidden>✓ </span>}
        {says}
        <i aria-hidden>{shown ? "▴" : "▾"}</i>
      </button>
      {fix && (
        <button type="button" className="first" title={`${first.title}. ${fix.says}`} onClick={() => void bench.applyFix(fix)}>
          Fix the first<span className="hidden">: {fix.says}</span>
        </button>
      )}
      {shown && (
        <section id="problems" ref={list} className={`problems ${state.behind && !unread ? "behind" : ""}`} aria-label="Problems" tabIndex={-1}>
          <header>
            <h2>{says}</h2>
            <button type="button" className="link light" onClick={() => setShown(false)}>
              Close
            </button>
          </header>
          <ProblemList id={id} bench={bench} state={state} fixes={fixes} />
        </section>
      )}
    </div>
  );
}

/** useStays keeps the focus where work goes on when the button that had it goes with its problem. */
function useStays(at: React.RefObject<HTMLElement | null>, whenever: unknown) {
  const had = useRef(false);
  useEffect(() => {
    const heard = () => {
      had.current = document.activeElement?.closest(".problems-line") != null;
    };
    document.addEventListener("focusin", heard);
    return () => document.removeEventListener("focusin", heard);
  }, []);
  useEffect(() => {
    if (had.current && (document.activeElement === document.body || document.activeElement === null)) at.current?.focus();
  }, [at, whenever]);
}
