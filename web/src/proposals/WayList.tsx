import type { Way, Ways } from "../api/client.ts";
import type { Bench } from "../bench/Bench.ts";
import { WayItem } from "./WayItem.tsx";

/** WayList lists ways, each looked at on the felt before it is taken; or the nearest, where none is near enough. */
export function WayList({ bench, found }: { bench: Bench; found: Ways | undefined }) {
  const item = (way: Way, number?: number) => (
    <WayItem key={`${way.line} ${way.changes.join()}`} way={way} number={number} onLook={(looks) => void bench.preview(looks ? way.operations : null)} onUse={() => void bench.apply(...way.operations)} />
  );
  return (
    <ol>
      {found?.items.map((way, i) => item(way, i + 1))}
      {found?.nearest && item(found.nearest)}
    </ol>
  );
}
