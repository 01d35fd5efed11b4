import type { Check, KitState } from "../api/client.ts";
import { problems, SEVERITY } from "../problems/severity.ts";

type Origin = KitState["origins"][number];

const RANK: NonNullable<Origin["worst"]>[] = ["line", "stop", "warn", "advise"];

/** OfPiece counts the problems of one piece as the kit holds it; nothing while it has none. */
export function OfPiece({ origin }: { origin: Origin | undefined }) {
  if (!origin?.problems) return null;
  return <p className={origin.worst === "advise" ? "flag better" : "flag"}>{inWords(origin.worst, origin.problems)}</p>;
}

/** OfKit counts those of all its pieces. */
export function OfKit({ origins }: { origins: Origin[] }) {
  const all = origins.reduce((n, origin) => n + origin.problems, 0);
  const worst = RANK.find((grave) => origins.some((origin) => origin.worst === grave));
  return <span className={all === 0 || worst === "advise" ? "flag better" : "flag"}>{all === 0 ? "No problems" : inWords(worst, all)}</span>;
}

const inWords = (worst: Origin["worst"], n: number) => `${SEVERITY[worst as Check["severity"]]?.sign ?? SEVERITY.stop.sign} ${problems(n)}`;
