import { useEffect, useRef, useState } from "react";
import type { House, HouseTrial, PieceByHouse } from "../api/client.ts";
import { readLines, sendFor } from "../api/lines.ts";
import type { Unit } from "../units/length.ts";

/** Trial is how far a trial of a house method is, and what it has found. */
export interface Trial {
  done: number;
  pieces: number;
  changed: PieceByHouse[];
  state: "running" | "ended" | "stopped";
  says?: string;
}

/** PAUSE is how long a choice rests before it is tried, in ms; SHOWN how often what was found is shown again. */
const PAUSE = 250;
const SHOWN = 200;

const FRESH: Trial = { done: 0, pieces: 0, changed: [], state: "running" };

/** useTrial tries the changed house method on every piece, in the background, and can be stopped. */
export function useTrial(house: House | null, unit: Unit): { trial: Trial | null; stop: () => void; again: () => void } {
  const [round, setRound] = useState(0);
  const key = house && `${round} ${unit} ${JSON.stringify(house)}`;
  const [found, setFound] = useState<{ of: string; trial: Trial } | null>(null);
  const stopper = useRef<AbortController>(null);
  useEffect(() => {
    if (!key) return;
    const stop = new AbortController();
    stopper.current = stop;
    const [, of, ...body] = key.split(" ");
    const wait = setTimeout(() => void run(body.join(" "), of as Unit, stop.signal, (trial) => setFound({ of: key, trial })), PAUSE);
    return () => {
      clearTimeout(wait);
      stop.abort();
    };
  }, [key]);
  const trial = key ? (found?.of === key ? found.trial : FRESH) : null;
  return {
    trial,
    stop: () => {
      stopper.current?.abort();
      if (key && trial) setFound({ of: key, trial: { ...trial, state: "stopped" } });
    },
    again: () => setRound(round + 1),
  };
}

async function run(house: string, unit: Unit, signal: AbortSignal, show: (trial: Trial) => void) {
  let now: Trial = { ...FRESH, changed: [] };
  let shown = 0;
  try {
    const response = await sendFor(`/api/house/try?unit=${unit}`, house, "application/json", signal);
    await readLines<HouseTrial>(response, (line) => {
      now = { ...now, done: line.done, pieces: line.pieces, says: line.says, state: line.ended ? "ended" : "running" };
      if (line.changed) now.changed = [...now.changed, line.changed];
      if (line.ended || performance.now() - shown > SHOWN) {
        shown = performance.now();
        show(now);
      }
    });
    if (now.state === "running") show({ ...now, state: "stopped", says: "The connection was lost before all pieces were tried." });
  } catch (err) {
    if (!signal.aborted) show({ ...now, state: "stopped", says: (err as Error).message });
  }
}
