import { useSearchParams } from "react-router";
import { Choice } from "../ui/Answers.tsx";
import { FromBeads } from "./FromBeads.tsx";
import { FromLength, type StartProps } from "./FromLength.tsx";
import { FromMade } from "./FromMade.tsx";
import { FromWearer } from "./FromWearer.tsx";

type Start = "length" | "wearer" | "beads" | "made";

const STARTS: { value: Start; label: string }[] = [
  { value: "length", label: "A length" },
  { value: "wearer", label: "A wearer" },
  { value: "beads", label: "Beads in hand" },
  { value: "made", label: "A piece already made" },
];

/** Starts are the four ways to start. None of them changes the pattern unasked. */
export function Starts({ bench, state, counts }: StartProps & { counts: string | undefined }) {
  const [params, setParams] = useSearchParams();
  const asked = STARTS.find(({ value }) => value === params.get("from"))?.value;
  const start = asked ?? (state.doc.body?.measureMm && !state.doc.target ? "wearer" : "length");
  return (
    <>
      <h2 className="hidden">Where to start</h2>
      <Choice legend="What do you start from?" value={start} options={STARTS} onChange={(from) => setParams({ from }, { replace: true })} />
      {start === "length" && <FromLength bench={bench} state={state} counts={counts} />}
      {start === "wearer" && <FromWearer bench={bench} state={state} />}
      {start === "beads" && <FromBeads bench={bench} state={state} />}
      {start === "made" && <FromMade bench={bench} state={state} />}
    </>
  );
}
