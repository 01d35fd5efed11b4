import { api, Offline, unwrap, ApiError, type Document, type Problem } from "../api/client.ts";
import { drop, hold, leftDrafts, letGo } from "./keptDrafts.ts";

export type SaveState = "saved" | "unsaved" | "saving" | "away" | "failing" | "refused" | "conflict";

/** PAUSE is how long typing rests before a draft is sent, and PATIENCE how long an answer is waited for, in ms. */
const PAUSE = 500;
const PATIENCE = 20_000;

/** How long a server that is away, or fails, is left alone before it is tried again, in ms: longer each time. */
const FIRST_RETRY = 2000;
const MOST_RETRY = 30_000;

/**
 * Draft sends a piece's document to the server whenever it has changed and the
 * hands rest, one save at a time, each stating the revision it was made from.
 * Until it is acknowledged the browser keeps a copy, so that neither a crash of
 * the tab nor a server that is away loses it.
 */
export class Draft {
  #id: string;
  #revision: number;
  #wanted: Document | null = null;
  /** What was sent and never answered: it may have been saved, so it is sent again before anything that came later. */
  #unsure: Document | null = null;
  #retry = FIRST_RETRY;
  #timer: ReturnType<typeof setTimeout> | undefined;
  #sending: Promise<void> | null = null;
  #stopped = false;
  #tell: (state: SaveState, conflict: Problem | null) => void;
  #onAside: (version: number) => void;

  /** The one draft of each piece: the last that was opened. */
  static #of = new Map<string, Draft>();

  /** onAside hears that what another window left is kept as a version. */
  constructor(id: string, revision: number, tell: (state: SaveState, conflict: Problem | null) => void, onAside: (version: number) => void) {
    this.#id = id;
    this.#onAside = onAside;
    this.#revision = revision;
    this.#tell = tell;
    const before = Draft.#of.get(id);
    Draft.#of.set(id, this);
    if (before) this.#follow(before);
  }

  /** #follow takes over from the draft of the same piece before: that sends nothing any more, and what it is sending is waited for. */
  #follow(before: Draft) {
    before.#stopped = true;
    clearTimeout(before.#timer);
    const goOn = () => {
      this.#revision = Math.max(this.#revision, before.#revision);
      this.#sending = null;
      if (this.#wanted) this.#later(0);
    };
    if (before.#sending) this.#sending = before.#sending.then(goOn);
    else goOn();
  }

  /** keep asks for the document to be saved. */
  keep(doc: Document) {
    this.#wanted = doc;
    if (this.#stopped) return;
    hold(this.#id, this.#revision, doc);
    this.#tell("unsaved", null);
    this.#later(PAUSE);
  }

  #letGo() {
    if (Draft.#of.get(this.#id) === this) letGo(this.#id);
  }

  /** goOn lets saving go on from a revision after a conflict. */
  goOn(revision: number) {
    this.#revision = revision;
    this.#wanted = null;
    this.#unsure = null;
    this.#stopped = false;
  }

  /** flush saves now, and says whether everything is kept. */
  async flush(): Promise<boolean> {
    clearTimeout(this.#timer);
    await this.#sending;
    if (this.#unsure && !this.#stopped) await this.#send();
    if (this.#wanted && !this.#unsure && !this.#stopped) await this.#send();
    return this.#wanted === null && !this.#stopped;
  }

  /**
   * sendLeft hands over what closed windows left of the piece. It was made from a revision that has been saved over, so
   * the server keeps it as a version.
   */
  async sendLeft() {
    for (const left of await leftDrafts(this.#id)) {
      if (left.base >= this.#revision) continue; // nothing has been saved since: it may yet be opened
      try {
        await unwrap(api.PUT("/api/pieces/{id}", { params: { path: { id: this.#id } }, body: { base: left.base, document: left.document }, signal: AbortSignal.timeout(PATIENCE) }));
      } catch (err) {
        if (!(err instanceof ApiError) || err.problem.status !== 409) continue; // it is tried again after the next save
        if (err.problem.keptAs) this.#onAside(err.problem.keptAs);
      }
      drop(left);
    }
  }

  #later(ms: number) {
    clearTimeout(this.#timer);
    this.#timer = setTimeout(() => void this.#send(), ms);
  }

  async #send() {
    if (this.#sending) return this.#sending;
    const doc = this.#unsure ?? this.#wanted;
    if (!doc || this.#stopped) return;
    this.#tell("saving", null);
    this.#sending = this.#put(doc);
    await this.#sending;
    this.#sending = null;
    if (this.#wanted && this.#wanted !== doc && !this.#stopped && !this.#unsure) this.#later(0);
  }

  async #put(doc: Document) {
    try {
      const kept = await unwrap(api.PUT("/api/pieces/{id}", { params: { path: { id: this.#id } }, body: { base: this.#revision, document: doc }, signal: AbortSignal.timeout(PATIENCE) }));
      this.#revision = kept.revision;
      this.#unsure = null;
      this.#retry = FIRST_RETRY;
      if (this.#wanted === doc) {
        this.#wanted = null;
        this.#letGo();
        this.#tell("saved", null);
        void this.sendLeft();
      }
    } catch (err) {
      const fails = err instanceof ApiError && err.problem.status! >= 500;
      if (err instanceof ApiError && err.problem.status === 409) {
        this.#stopped = true;
        this.#unsure = null;
        // The server has it as a version.
        this.#letGo();
        this.#tell("conflict", err.problem);
      } else if (err instanceof Offline || fails) {
        this.#unsure = doc;
        this.#tell(fails ? "failing" : "away", null);
        this.#later(this.#retry);
        this.#retry = Math.min(2 * this.#retry, MOST_RETRY);
      } else if (err instanceof ApiError) {
        this.#unsure = null;
        this.#tell("refused", null);
      } else {
        throw err;
      }
    }
  }
}
