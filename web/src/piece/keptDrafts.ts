import type { Document } from "../api/client.ts";

/** Kept is what this browser holds of a piece that the server never acknowledged, and the revision it was made from. */
export interface Kept {
  base: number;
  document: Document;
  /** When it was put here, in ms. */
  at: number;
}

/** Left is a kept draft of a window that is gone. */
export interface Left extends Kept {
  key: string;
}

const KEPT = "mala.draft.";
const WINDOW = "mala.window";

/** Each window keeps drafts of its own, so that two of them on one piece, both cut off, keep both. */
const here = crypto.randomUUID();
/** before is what this window was before it was loaded again. */
const before = sessionStorage.getItem(WINDOW);
sessionStorage.setItem(WINDOW, here);

/** A window that is open holds a lock of its name. */
const lockOf = (name: string) => `mala.window.${name}`;
void navigator.locks?.request(lockOf(here), () => new Promise(() => {}));

const keyOf = (id: string, window: string) => `${KEPT}${id}.${window}`;
const windowOf = (key: string) => key.slice(key.lastIndexOf(".") + 1);

function read(key: string): Left | null {
  try {
    const text = localStorage.getItem(key);
    return text ? { ...(JSON.parse(text) as Kept), key } : null;
  } catch {
    return null;
  }
}

function all(id: string): Left[] {
  const keys = Array.from({ length: localStorage.length }, (_, i) => localStorage.key(i)!).filter((key) => key.startsWith(`${KEPT}${id}.`));
  return keys.map(read).filter((kept) => kept !== null);
}

export function hold(id: string, base: number, document: Document) {
  try {
    localStorage.setItem(keyOf(id, here), JSON.stringify({ base, document, at: Date.now() } satisfies Kept));
  } catch {
    // A browser without room for it still sends it.
  }
}

export const letGo = (id: string) => localStorage.removeItem(keyOf(id, here));

/** keptDraft is what to go on with in a piece: what this window had, else the newest that any other left. */
export function keptDraft(id: string): Kept | null {
  const own = read(keyOf(id, here)) ?? (before ? read(keyOf(id, before)) : null);
  const kept = own ?? all(id).sort((a, b) => b.at - a.at)[0];
  if (!kept) return null;
  hold(id, kept.base, kept.document);
  void gone([kept]).then((left) => left.forEach(({ key }) => localStorage.removeItem(key)));
  return kept;
}

/** gone picks the drafts of windows that are closed. */
async function gone(drafts: Left[]): Promise<Left[]> {
  const { held = [] } = (await navigator.locks?.query()) ?? {};
  const open = new Set(held.map((lock) => lock.name));
  return drafts.filter(({ key }) => !open.has(lockOf(windowOf(key))));
}

/** leftDrafts are what closed windows left of a piece. */
export const leftDrafts = (id: string): Promise<Left[]> => gone(all(id).filter(({ key }) => windowOf(key) !== here));

export const drop = (left: Left) => localStorage.removeItem(left.key);
