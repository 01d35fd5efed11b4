import type { Material } from "../../api/client.ts";
import { isDrop, isLoop } from "../../api/piece.ts";

const known = new Map<string, Material>();

/** inCord is a drop or a loop of the strand's own cord as a material to be painted: no catalogue has it. */
export function inCord(key: string): Material | undefined {
  if (!isDrop(key)) return undefined;
  const made = known.get(key) ?? { id: key, class: "component", name: isLoop(key) ? "a loop" : "a drop" };
  known.set(key, made);
  return made;
}
