import { useQueryClient } from "@tanstack/react-query";
import { useCallback, useEffect, useRef, useState } from "react";
import { api, ApiError, unwrap, type Kit, type KitState } from "../api/client.ts";
import { useWarning } from "../ui/useDraft.ts";
import { useUnit } from "../ui/UnitContext.tsx";

/** KitBench is a kit that is worked on: every change is saved at once, one after the other, and can be undone. */
export interface KitBench {
  /** kit is what the fields show, ahead of what is saved. */
  kit: Kit;
  /** state is what is saved. */
  state: KitState;
  says: string | null;
  saving: boolean;
  canUndo: boolean;
  canRedo: boolean;
  /** change saves the kit with what is given, and says whether it was taken. */
  change: (next: Partial<Kit>) => Promise<boolean>;
  undo: () => void;
  redo: () => void;
}

/** useKit loads a kit and keeps it. A change that is refused is not made; what was typed stays in its field. */
export function useKit(id: string): { bench: KitBench | null; error: Error | null } {
  const queries = useQueryClient();
  const { unit } = useUnit();
  const [state, setState] = useState<KitState | null>(null);
  const [error, setError] = useState<Error | null>(null);
  const [says, setSays] = useState<string | null>(null);
  const [saving, setSaving] = useState(0);
  const [past, setPast] = useState<{ done: Kit[]; undone: Kit[] }>({ done: [], undone: [] });
  const [ahead, setAhead] = useState<Kit | null>(null);
  const newest = useRef<KitState | null>(null);
  const turn = useRef<Promise<unknown>>(Promise.resolve());
  const took = useCallback((next: KitState) => {
    newest.current = next;
    setState(next);
  }, []);

  useEffect(() => {
    let gone = false;
    const load = () =>
      unwrap(api.GET("/api/kits/{id}", { params: { path: { id }, query: { unit } } })).then(
        (got) => !gone && took(got),
        (err: Error) => !gone && setError(err),
      );
    turn.current = turn.current.then(load, load); // behind what is being saved
    return () => {
      gone = true;
    };
  }, [id, unit, took]);

  const save = useCallback(
    (make: (now: Kit) => Kit): Promise<boolean> => {
      const work = async () => {
        const base = newest.current!;
        setSaving((n) => n + 1);
        const next = make(base.kit);
        setAhead(next);
        try {
          took(await unwrap(api.PUT("/api/kits/{id}", { params: { path: { id }, query: { unit } }, body: { base: base.revision, kit: next } })));
          setSays(null);
          void queries.invalidateQueries({ queryKey: ["kits"] });
          return true;
        } catch (err) {
          setSays((err as Error).message);
          if (err instanceof ApiError && err.problem.status === 409) took(await unwrap(api.GET("/api/kits/{id}", { params: { path: { id }, query: { unit } } })));
          return false;
        } finally {
          setAhead((now) => (now === next ? null : now));
          setSaving((n) => n - 1);
        }
      };
      const mine = turn.current.then(work, work);
      turn.current = mine.catch(() => false);
      return mine;
    },
    [id, unit, queries, took],
  );

  useWarning(saving > 0 || says !== null);

  if (!state) return { bench: null, error };
  const step = async (from: "done" | "undone") => {
    const kit = past[from].at(-1);
    const now = newest.current!.kit;
    if (!kit || !(await save(() => kit))) return;
    const rest = past[from].slice(0, -1);
    setPast(from === "done" ? { done: rest, undone: [...past.undone, now] } : { done: [...past.done, now], undone: rest });
  };
  const bench: KitBench = {
    kit: ahead ?? state.kit, state, says, saving: saving > 0, canUndo: past.done.length > 0, canRedo: past.undone.length > 0,
    change: async (next) => {
      let before: Kit | null = null;
      const taken = await save((now) => ({ ...(before = now), ...next }));
      if (taken && before) setPast(({ done }) => ({ done: [...done, before!].slice(-50), undone: [] }));
      return taken;
    },
    undo: () => void step("done"),
    redo: () => void step("undone"),
  };
  return { bench, error };
}
