import { createContext, useCallback, useContext, useEffect, useMemo, useState, type ReactNode } from "react";

interface Shared {
  /** The px to the mm at which every picture that has reported so far fits its place; infinite until one has. */
  scale: number;
  /** tell gives the px at which one fits, and takes it back. */
  tell: (px: number) => () => void;
}

const Scale = createContext<Shared | null>(null);

/** OneScale lets the pictures within it be as large as one another's scale allows, so that a longer piece looks longer. */
export function OneScale({ children }: { children: ReactNode }) {
  const [told, setTold] = useState<number[]>([]);
  const tell = useCallback((px: number) => {
    setTold((now) => [...now, px]);
    return () => setTold((now) => now.toSpliced(now.indexOf(px), 1));
  }, []);
  const scale = Math.min(...told);
  const shared = useMemo(() => ({ scale, tell }), [scale, tell]);
  return <Scale value={shared}>{children}</Scale>;
}

/** useSharedScale is the scale that a picture shares with those beside it; undefined where it shares none. */
export function useSharedScale(): number | undefined {
  const shared = useContext(Scale);
  return shared && Number.isFinite(shared.scale) ? shared.scale : undefined;
}

/** useTellScale tells those beside it at which scale a picture fits, 0 until that is known. */
export function useTellScale(fits: number) {
  const tell = useContext(Scale)?.tell;
  useEffect(() => (fits > 0 ? tell?.(fits) : undefined), [fits, tell]);
}
