import type { Document } from "../api/client.ts";
import type { Selection } from "./BenchState.ts";

/** Moment is a document with what was selected in it, and in which row. */
export interface Moment {
  doc: Document;
  row: string;
  selection: Selection;
}

/** Past is everything that has been done to a piece, to go back and forth in without limit. */
export class Past {
  #done: Moment[] = [];
  #undone: Moment[] = [];

  get canUndo() {
    return this.#done.length > 0;
  }

  get canRedo() {
    return this.#undone.length > 0;
  }

  /** remember keeps the moment before a change. */
  remember(before: Moment) {
    this.#done.push(before);
    this.#undone = [];
  }

  /** back gives the moment before this one. */
  back(now: Moment): Moment | undefined {
    const last = this.#done.pop();
    if (last) this.#undone.push(now);
    return last;
  }

  /** forth gives the moment that was gone back from. */
  forth(now: Moment): Moment | undefined {
    const next = this.#undone.pop();
    if (next) this.#done.push(now);
    return next;
  }
}
