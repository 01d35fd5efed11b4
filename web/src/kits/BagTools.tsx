import type { KitBill } from "../api/client.ts";
import type { KitBench } from "./useKit.ts";

/** BagTools lists the tools, and which of them are in the kit. */
export function BagTools({ bench, bill }: { bench: KitBench; bill: KitBill }) {
  const { kit } = bench;
  const put = (name: string, inKit: boolean) => {
    const next = inKit ? [...(kit.tools ?? []), name] : (kit.tools ?? []).filter((other) => other !== name);
    void bench.change({ tools: next.length > 0 ? next : undefined });
  };
  return (
    <section aria-label="Tools">
      <h2>Tools</h2>
      <p className="quiet">Ticked: in the kit. The others are the buyer's own.</p>
      {bill.tools.map((tool) => (
        <label key={tool.name} className="tick tool">
          <input type="checkbox" checked={kit.tools?.includes(tool.name) ?? false} onChange={(e) => put(tool.name, e.target.checked)} />
          <span>
            <b>{tool.name}</b> {tool.for}
            {tool.optional && <em>, optional</em>}
          </span>
        </label>
      ))}
    </section>
  );
}
