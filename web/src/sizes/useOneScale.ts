import { useCallback, useState } from "react";

/** useOneScale is the scale at which every picture of some fits its place; infinite until each has told what fits it. */
export function useOneScale(names: string[]) {
  const [fits, setFits] = useState<Record<string, number>>({});
  const onFit = useCallback((name: string, px: number) => setFits((now) => (now[name] === px ? now : { ...now, [name]: px })), []);
  return { scale: Math.min(...names.map((name) => fits[name] ?? Infinity)), onFit };
}
