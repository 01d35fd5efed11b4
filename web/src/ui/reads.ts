import { useEffect, useId } from "react";

const underWay = new Set<Promise<boolean>>();
const red = new Set<string>();

/** reading keeps count of a length that is being read; it comes to whether it could be. */
export function reading(read: Promise<boolean>) {
  underWay.add(read);
  void read.finally(() => underWay.delete(read));
}

/** useRed says of a field, for as long as it is there, whether what stands in it cannot be read. */
export function useRed(wrong: boolean) {
  const id = useId();
  useEffect(() => {
    if (!wrong) return;
    red.add(id);
    return () => void red.delete(id);
  }, [id, wrong]);
}

/** allRead waits until every length that has been typed is read, and says whether all that is typed anywhere could be. */
export async function allRead(): Promise<boolean> {
  return (await Promise.all(underWay)).every((read) => read) && red.size === 0;
}

/** RED is what a form says that is not saved for what stands in one of its fields. */
export const RED = "Not saved: correct what is marked in red first.";
