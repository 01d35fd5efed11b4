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
    return JSON.parse(sessionStorage.getItem(name(key)) ?? "null") as Typed<T> | null;
  } catch {
    return null;
  }
}

export const forgetTyped = (key: string) => sessionStorage.removeItem(name(key));

/** useTyped keeps what is typed over a reload until it is saved or given up, and warns before its tab is closed. Each tab has its own. */
export function useTyped<T>(key: string, base: number, value: T, changed: boolean) {
  useEffect(() => {
    if (!changed) return forgetTyped(key);
    try {
      sessionStorage.setItem(name(key), JSON.stringify({ base, value } satisfies Typed<T>));
    } catch {
      // Without room the warning below is left.
    }
  }, [key, base, value, changed]);
  useWarning(changed);
}

/** useWarning warns before a tab with unsaved work is closed. */
export function useWarning(unsaved: boolean) {
  useEffect(() => {
    if (!unsaved) return;
    const warn = (event: BeforeUnloadEvent) => event.preventDefault();
    window.addEventListener("beforeunload", warn);
    return () => window.removeEventListener("beforeunload", warn);
  }, [unsaved]);
}
