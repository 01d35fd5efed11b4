import type { Way, Ways } from "../api/client.ts";
import type { Bench } from "../piece/Bench.ts";
import { WayItem } from "./WayItem.tsx";

/** Search is a search for ways, under way or ended. */
interface Search {
  isPending: boolean;
  error: Error | null;
  data: Ways | undefined;
}

/** WayList lists the ways that a search found, each looked at on the felt before it is taken; or the nearest, and the reason that none is near enough. */
export function WayList({ bench, found }: { bench: Bench; found: Search }) {
  const item = (way: Way, number?: number) => (
    <WayItem key={`${way.line} ${way.changes.join()}`} way={way} number={number} onLook={(looks) => void bench.preview(looks ? way.operations : null)} onUse={() => void bench.apply(...way.operations)} />
  );
  const { data, error } = found;
  return (
    <>
      {found.isPending && <p className="quiet">Trying …</p>}
      {error && <p role="alert">{error.message}</p>}
      {data?.why && <p role="status">{data.why}</p>}
      <ol>
        {data?.items.map((way, i) => item(way, i + 1))}
        {data?.nearest && item(data.nearest)}
      </ol>
    </>
  );
}
