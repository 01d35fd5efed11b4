import { useEffect } from "react";

/** Typed is what was typed and is not saved yet, with the revision that it was typed over. */
export interface Typed<T> {
  base: number;
  value: T;
}

const name = (key: string) => `mala.typed.${key}`;

/** typedBefore is what was typed here and not saved; null where there is nothing. */
export function typedBefore<T>(key: string): Typed<T> | null {
  try {
    return JSON.parse(localStorage.getItem(name(key)) ?? "null") as Typed<T> | null;
  } catch {
    return null;
  }
}

export const forgetTyped = (key: string) => localStorage.removeItem(name(key));

/** useTyped keeps what is typed over a reload and a closed tab until it is saved or given up, and warns before a tab with it is closed. */
export function useTyped<T>(key: string, base: number, value: T, changed: boolean) {
  useEffect(() => {
    if (!changed) return forgetTyped(key);
    try {
      localStorage.setItem(name(key), JSON.stringify({ base, value } satisfies Typed<T>));
    } catch {
      // Without room the warning below is left.
    }
  }, [key, base, value, changed]);
  useEffect(() => {
    if (!changed) return;
    const warn = (event: BeforeUnloadEvent) => event.preventDefault();
    window.addEventListener("beforeunload", warn);
    return () => window.removeEventListener("beforeunload", warn);
  }, [changed]);
}
