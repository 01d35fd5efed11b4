import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useCallback, useEffect, useRef, useState } from "react";
import { api, unwrap } from "../api/client.ts";

/** How often another device's ticks are looked for, and what could not be saved is tried again. */
const AGAIN_MS = 4000;

/** Ticks are what of a bag is packed, here and on other devices. */
export interface Ticks {
  things: ReadonlySet<string>;
  /** waiting says why ticks are not saved yet; null once they are. */
  waiting: string | null;
  tick: (thing: string) => void;
  startOver: () => void;
  /** takeBack ticks what starting over has cleared; null where nothing was. */
  takeBack: (() => void) | null;
}

/** usePacked keeps the ticks of one bag of a kit with the kit. What cannot be saved stays ticked here, also over a reload, until it is. */
export function usePacked(id: string, cell: string): Ticks {
  const path = { id, cell };
  const key = `mala.packed.${id}.${cell}`;
  const queries = useQueryClient();
  const queryKey = ["packed", id, cell];
  const found = useQuery({ queryKey, queryFn: ({ signal }) => unwrap(api.GET("/api/kits/{id}/packed/{cell}", { params: { path }, signal })), refetchInterval: AGAIN_MS, retry: false });
  const [mine, setMine] = useState<Readonly<Record<string, boolean>>>(() => read(key)); // not saved yet
  const [waiting, setWaiting] = useState<string | null>(null);
  const [cleared, setCleared] = useState<ReadonlySet<string> | null>(null);
  const latest = useRef(mine);
  const sending = useRef(false);
  const keep = useCallback(
    (next: Record<string, boolean>) => {
      latest.current = next;
      setMine(next);
      if (Object.keys(next).length > 0) localStorage.setItem(key, JSON.stringify(next));
      else localStorage.removeItem(key);
    },
    [key],
  );
  const send = useCallback(async () => {
    if (sending.current) return;
    sending.current = true;
    try {
      for (let next = Object.entries(latest.current)[0]; next; next = Object.entries(latest.current)[0]) {
        const [thing, packed] = next;
        const now = await unwrap(api.PUT("/api/kits/{id}/packed/{cell}", { params: { path: { id, cell } }, body: { thing, packed } }));
        queries.setQueryData(["packed", id, cell], now);
        if (latest.current[thing] === packed) keep(Object.fromEntries(Object.entries(latest.current).filter(([one]) => one !== thing)));
      }
      setWaiting(null);
    } catch (err) {
      setWaiting((err as Error).message);
    } finally {
      sending.current = false;
    }
  }, [id, cell, keep, queries]);
  useEffect(() => {
    void send();
    const again = setInterval(() => void send(), AGAIN_MS);
    return () => clearInterval(again);
  }, [send]);
  const things = new Set((found.data?.things ?? []).filter((thing) => mine[thing] !== false).concat(Object.keys(mine).filter((thing) => mine[thing])));
  return {
    things,
    waiting,
    tick: (thing) => {
      setCleared(null);
      keep({ ...latest.current, [thing]: !things.has(thing) });
      void send();
    },
    startOver: () =>
      void unwrap(api.DELETE("/api/kits/{id}/packed/{cell}", { params: { path } })).then(
        () => {
          keep({});
          setCleared(things);
          queries.setQueryData(queryKey, { things: [] });
        },
        (err: Error) => setWaiting(err.message),
      ),
    takeBack: cleared && (() => {
      keep(Object.fromEntries([...cleared].map((thing) => [thing, true])));
      setCleared(null);
      void send();
    }),
  };
}

function read(key: string): Record<string, boolean> {
  try {
    return JSON.parse(localStorage.getItem(key) ?? "{}") as Record<string, boolean>;
  } catch {
    return {};
  }
}
