import type { Analysis, Document } from "../api/client.ts";
import type { Bench } from "../piece/Bench.ts";
import { WholePicture } from "../pictures/WholePicture.tsx";
import type { BenchContext } from "../piece/context.ts";
import { Choice } from "../ui/Answers.tsx";
import { LengthField } from "../ui/LengthField.tsx";
import { Length } from "../ui/UnitContext.tsx";

type Hanging = NonNullable<Document["hanging"]>;

const PLACES = [
  { value: "window", label: "Window" },
  { value: "mirror", label: "Mirror" },
  { value: "key", label: "Key" },
] as const;

const OVER = [
  { value: "support", label: "What holds it" },
  { value: "itself", label: "Itself" },
] as const;

const OVER_SAYS = { support: "The loop goes over a hook, a stem or a ring.", itself: "The ornament is drawn through its own loop." };

/** Hang shows how an ornament hangs: where, by what, how its weight pulls, and which beads lean. */
export function Hang({ bench, state }: Pick<BenchContext, "bench" | "state">) {
  const { doc, analysis } = state;
  return (
    <div className="fit">
      <div className="answers side left">
        <h2 className="hidden">Where it hangs</h2>
        <Place bench={bench} doc={doc} />
      </div>
      <div className={`round-room hang-room${state.behind ? " behind" : ""}`}>
        {analysis && <WholePicture analysis={analysis} doc={state.analysed} />}
        <ul className="legend" aria-label="What the drawing shows">
          <li>
            <i className="mass" /> the middle of its mass
          </li>
          <li className="quiet">as it hangs, true to scale</li>
        </ul>
      </div>
      <aside className="side right" aria-label="How it hangs">
        {analysis?.hanger && <Pull analysis={analysis} doc={doc} />}
      </aside>
    </div>
  );
}

function Place({ bench, doc }: { bench: Bench; doc: Document }) {
  const { hanging = {} } = doc;
  const set = (next: Partial<Hanging>) => void bench.apply({ do: "set-hanging", hanging: { ...bench.snapshot().doc.hanging, ...next } });
  return (
    <>
      <Choice legend="Where does it hang?" value={hanging.at ?? ""} options={[...PLACES]} onChange={(at) => set({ at: at as Hanging["at"] })} says={hanging.at === "mirror" && "In a vehicle it must not block the driver's view: mind your local law."} />
      <Choice legend="What does its loop go over?" value={hanging.over ?? ""} options={[...OVER]} onChange={(over) => set({ over: over as Hanging["over"] })} says={hanging.over && OVER_SAYS[hanging.over]} />
      {hanging.over === "support" && (
        <fieldset>
          <legend>Once round what holds it, at its widest</legend>
          <LengthField label="Girth of what holds it" mm={hanging.girthMm ?? null} placeholder="not specified" width={110} onChange={(girthMm) => set({ girthMm })} onClear={() => set({ girthMm: undefined })} />
        </fieldset>
      )}
    </>
  );
}

function Pull({ analysis, doc }: { analysis: Analysis; doc: Document }) {
  const hanger = analysis.hanger!;
  const name = (id: string) => doc.materials.find((m) => m.id === id)?.name ?? id;
  const { placed } = analysis.strands[0];
  return (
    <section aria-label="How its weight pulls">
      <h2>From loop to foot</h2>
      <p className="big-figure" data-testid="hangs">
        <Length mm={analysis.finishedMm} />
      </p>
      <p>
        The middle of its mass lies <Length mm={hanger.middleMm} /> below the top.
      </p>
      {hanger.curlG !== undefined && (
        <p className={`ease ${hanger.footG >= hanger.curlG ? "right" : "off"}`} data-testid="foot">
          <b>{hanger.footG >= hanger.curlG ? "✓ the foot pulls the wire straight" : "▲ the foot is light"}</b>: {grams(hanger.footG)} below the lowest bead, and this wire takes about {grams(hanger.curlG)}
        </p>
      )}
      <table className="list">
        <thead>
          <tr>
            <th scope="col">from the foot up</th>
            <th scope="col" className="n">
              hangs below
            </th>
          </tr>
        </thead>
        <tbody>
          {hanger.below.map((run) => (
            <tr key={run.first}>
              <th scope="row">
                {run.count} {name(run.material)}
              </th>
              <td className="n">{grams(run.belowG)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {hanger.leaning?.map(({ element, deg }) => (
        <p key={element} className="quiet">
          Bead {element + 1}, {name(placed[element].material)}, leans by {deg}° to its heavier side.
        </p>
      ))}
    </section>
  );
}

const grams = (g: number) => `${Math.round(g * 10) / 10} g`;
