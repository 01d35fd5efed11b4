import { Link, useParams } from "react-router";
import type { Way } from "../api/client.ts";
import { ShortOfStock } from "../ui/ShortOfStock.tsx";
import { Length } from "../ui/UnitContext.tsx";
import type { Compared } from "../piece/context.ts";

interface Props {
  way: Way;
  /** The key that takes it; none of the nearest, where nothing is near enough. */
  number?: number;
  /** It is looked at on the felt, or no more. */
  onLook: (looks: boolean) => void;
  onUse: () => void;
}

/** WayItem is one proposal: what changes, what the piece becomes, and what comes or goes. */
export function WayItem({ way, number, onLook, onUse }: Props) {
  const { id } = useParams();
  return (
    <li onMouseEnter={() => onLook(true)} onMouseLeave={() => onLook(false)}>
      <b>
        {number === undefined && "Nearest: "}
        {way.changes.join(", ")}
      </b>
      <span className="quiet">
        <Length mm={way.finishedMm} />
        {way.insideMm !== undefined && (
          <>
            , inside <Length mm={way.insideMm} />
          </>
        )}
        {way.easeMm !== undefined && (
          <>
            , <Length mm={way.easeMm} /> of ease{way.easeWord && `, ${way.easeWord}`}
          </>
        )}
      </span>
      <span className="price">{way.operations.length === 0 ? "no beads to restring" : priceOf(way)}</span>
      <ShortOfStock lacks={way.short} />
      {way.operations.length > 0 && (
        <>
          <Link to={`/pieces/${id}/variants`} state={{ says: way.changes.join(", "), operations: way.operations } satisfies Compared} className="link" aria-label={`Compare: ${way.changes.join(", ")}`}>
            Compare
          </Link>
          <button type="button" className="use" onClick={onUse} onFocus={() => onLook(true)} onBlur={() => onLook(false)} aria-label={`Use: ${way.changes.join(", ")}`} title={number ? `Use (${number})` : "Use"}>
            Use{number !== undefined && <kbd>{number}</kbd>}
          </button>
        </>
      )}
    </li>
  );
}

/** priceOf tells which beads and findings come and go; those of one name by their letters. */
function priceOf(way: Way): string {
  const parts = way.price.flatMap(({ material, name, key, count = 0 }) => {
    const alike = way.price.some((other) => other.name === name && other.material !== material);
    return count ? [`${count < 0 ? "−" : "+"}${Math.abs(count)} ${alike && key ? `${key} ` : ""}${name}`] : [];
  });
  return parts.join(" · ") || "no beads";
}
