import { createContext, use, useCallback, useMemo, useState, type ReactNode } from "react";
import { formatLength, otherUnit, type Unit } from "../units/length.ts";

interface UnitChoice {
  unit: Unit;
  choose: (unit: Unit) => void;
  /** follow takes the house's unit, unless this browser has chosen its own. */
  follow: (unit: Unit) => void;
}

const UnitContext = createContext<UnitChoice>({ unit: "mm", choose: () => {}, follow: () => {} });
const KEPT_AS = "mala.unit";

/** UnitProvider keeps the house unit for this browser and hands it to every view. */
export function UnitProvider({ children }: { children: ReactNode }) {
  const [unit, setUnit] = useState<Unit>(() => (localStorage.getItem(KEPT_AS) === "in" ? "in" : "mm"));
  const choose = useCallback((next: Unit) => {
    localStorage.setItem(KEPT_AS, next);
    setUnit(next);
  }, []);
  const follow = useCallback((house: Unit) => {
    if (localStorage.getItem(KEPT_AS) === null) setUnit(house);
  }, []);
  const value = useMemo(() => ({ unit, choose, follow }), [unit, choose, follow]);
  return <UnitContext value={value}>{children}</UnitContext>;
}

export const useUnit = () => use(UnitContext);

/** ReadLength shows a length that the server has written, so that parts add up to their sum as they are read. */
export function ReadLength({ read }: { read: { mm: string; in: string } }) {
  const { unit } = useUnit();
  return (
    <span className="length" title={read[otherUnit(unit)]}>
      {read[unit]}
    </span>
  );
}

/** Length shows a length in the house unit, and the other one on hover. */
export function Length({ mm, bare = false }: { mm: number; bare?: boolean }) {
  const { unit } = useUnit();
  const [figure, word] = formatLength(mm, unit).split(/ (?=mm$|in$)/);
  return (
    <span className="length" title={formatLength(mm, otherUnit(unit))}>
      {figure}
      {word && <span className={bare ? "hidden" : undefined}> {word}</span>}
    </span>
  );
}
