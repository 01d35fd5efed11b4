import { useEffect, useState } from "react";

const waiting: (() => void)[] = [];

/** serve lets one go a frame. */
function serve() {
  waiting.shift()?.();
  if (waiting.length > 0) requestAnimationFrame(serve);
}

/**
 * useInTurn gives a value on once it is its turn, one of the page's a frame: a page full of pictures is
 * painted one after the other, the first ones first, and can be scrolled meanwhile.
 */
export function useInTurn<T>(value: T | undefined): T | undefined {
  const [shown, setShown] = useState<T>();
  useEffect(() => {
    if (value === undefined) return;
    const turn = () => setShown(value);
    if (waiting.push(turn) === 1) requestAnimationFrame(serve);
    return () => {
      const at = waiting.indexOf(turn);
      if (at >= 0) waiting.splice(at, 1);
    };
  }, [value]);
  return shown;
}
