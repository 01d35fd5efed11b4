import { useCallback, useEffect, useRef, useState } from "react";

/** Kept is what was typed and is not saved yet, with the revision that it was typed over. */
interface Kept<T> {
  base: number;
  value: T;
}

/** Draft is what is edited and saved by a button. */
export interface Draft<T> {
  value: T;
  set: (next: T | ((now: T) => T)) => void;
  /** changed says whether it differs from what is saved. */
  changed: boolean;
  /** base is the revision that a save states. */
  base: number;
  /** isBack says that it was typed before a reload. */
  isBack: boolean;
  /** forget keeps it no longer: it is saved, or was given up. */
  forget: () => void;
  /** giveUp shows what is saved. */
  giveUp: () => void;
}

/** useDraft keeps what is typed over a reload until it is saved or given up, and warns before its tab is closed. Each tab has its own. */
export function useDraft<T>(key: string, revision: number, saved: T): Draft<T> {
  const name = `mala.typed.${key}`;
  const [kept, setKept] = useState(() => read<T>(name));
  const [value, setValue] = useState<T>(kept ? kept.value : saved);
  const settled = useRef(false);
  const base = kept?.base ?? revision;
  const changed = JSON.stringify(value) !== JSON.stringify(saved);
  useEffect(() => {
    if (settled.current) return;
    if (!changed) return sessionStorage.removeItem(name);
    try {
      sessionStorage.setItem(name, JSON.stringify({ base, value } satisfies Kept<T>));
    } catch {
      // Without room the warning is left.
    }
  }, [name, base, value, changed]);
  useWarning(changed);
  const set = useCallback((next: T | ((now: T) => T)) => {
    settled.current = false;
    setValue(next);
  }, []);
  const forget = () => {
    settled.current = true;
    sessionStorage.removeItem(name);
    setKept(null);
  };
  return {
    value, set, changed, base, forget,
    isBack: kept !== null,
    giveUp: () => {
      forget();
      setValue(saved);
    },
  };
}

function read<T>(name: string): Kept<T> | null {
  try {
    return JSON.parse(sessionStorage.getItem(name) ?? "null") as Kept<T> | null;
  } catch {
    return null;
  }
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
