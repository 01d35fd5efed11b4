import { api, ApiError, Offline, unwrap, type Analysis, type Document, type Fix, type Material, type Operation, type Outline, type PieceState } from "../api/client.ts";
import { opened } from "../api/opened.ts";
import { numberOf, rowOf, rowsOf, strandOf } from "../api/piece.ts";
import type { Unit } from "../units/length.ts";
import type { BenchState, Selection } from "./BenchState.ts";
import { Draft } from "./Draft.ts";
import { keptDraft } from "./keptDrafts.ts";
import { lineOf, withSharedMaterials, withTyped } from "./document.ts";
import { Past, type Moment } from "./Past.ts";
import { lineFault, troubleOf } from "./trouble.ts";

/** TYPING is how long a pause ends one undoable stretch of typing, in ms. */
const TYPING = 1200;

/** FIRST_GAP is how long a gap is until it is set. */
const FIRST_GAP = "_10mm";
const FIX_LINE_FIRST = "Fix the error in the bead line first.";

type LineOperation = Omit<Operation, "at">;

/**
 * Bench is the state behind a piece's views: the document, its analysis, the
 * selection, and everything that has been done. It computes nothing of the job
 * and rewrites no document: it sends operations and shows the answer.
 */
export class Bench {
  #state: BenchState;
  #listeners = new Set<() => void>();
  #past = new Past();
  #lastTyped = 0;
  /** The rows that the line is typed in. */
  #typedIn: string[] = [];
  #asked = 0;
  /** The line was left before it was read. */
  #settles = false;
  #previewed = 0;
  #queue: Promise<unknown> = Promise.resolve();
  #unit: Unit;
  #draft: Draft;
  #clipboard = "";
  #outlines = new WeakMap<Material, Outline>();

  constructor(piece: PieceState, unit: Unit) {
    this.#unit = unit;
    const kept = keptDraft(piece.id);
    const doc = kept?.document ?? piece.document;
    const row = rowOf(doc).id;
    this.#state = {
      doc, row, alike: false, lineText: lineOf(doc, row), analysis: null, analysed: doc, behind: false, faults: [], trouble: null, preview: null,
      selection: { anchor: 0, focus: 0 }, pending: "", copied: false, notice: null, save: "saved", conflict: null, aside: null,
      drift: piece.drift ?? null, canUndo: false, canRedo: false,
    };
    this.#draft = new Draft(piece.id, kept?.base ?? piece.revision, (save, conflict) => this.#set({ save, conflict }), (aside) => this.#set({ aside }));
    if (kept) this.#draft.keep(doc);
    else void this.#draft.sendLeft();
    void this.#analyse();
  }

  subscribe = (listener: () => void) => {
    this.#listeners.add(listener);
    return () => this.#listeners.delete(listener);
  };

  snapshot = () => this.#state;

  /**
   * #steady keeps a material's outline the same object from one analysis to the
   * next, so that pictures of beads that have not changed are not painted again.
   */
  #steady(analysis: Analysis, doc: Document): Analysis {
    const outlines = analysis.drawing?.outlines;
    for (const m of doc.materials) {
      if (!outlines?.[m.id]) continue;
      const known = this.#outlines.get(m);
      if (known) outlines[m.id] = known;
      else this.#outlines.set(m, outlines[m.id]);
    }
    return analysis;
  }

  #set(change: Partial<BenchState>) {
    if (Object.entries(change).every(([name, value]) => this.#state[name as keyof BenchState] === value)) return;
    this.#state = { ...this.#state, ...change, canUndo: this.#past.canUndo, canRedo: this.#past.canRedo };
    for (const listener of this.#listeners) listener();
  }

  /** setUnit changes the unit that sentences use. */
  setUnit(unit: Unit) {
    if (unit === this.#unit) return;
    this.#unit = unit;
    void this.#analyse();
  }

  /** flush saves what is not saved yet, and says whether all of it is. */
  flush = () => this.#draft.flush();

  /** leave saves and stops. */
  leave() {
    void this.#draft.flush();
  }

  /** idle waits until every operation asked for is done. */
  idle = () => this.#queue;

  // -- changes

  #moment() {
    const { doc, row, selection } = this.#state;
    return { doc, row, selection };
  }

  #remember() {
    this.#past.remember(this.#moment());
  }

  #show(doc: Document, more: Partial<BenchState>, analysis?: Analysis) {
    this.#asked++;
    const row = rowOf(doc, more.row ?? this.#state.row).id;
    this.#set({ doc, lineText: lineOf(doc, row), pending: "", notice: null, preview: null, ...(analysis ? { analysis, analysed: doc, behind: false, faults: [], trouble: null } : {}), ...more, row });
    this.#draft.keep(doc);
    if (!analysis) void this.#analyse();
  }

  /** typeLine takes over what is typed into the bead line. A stretch of typing is undone as one. */
  typeLine(text: string) {
    const { doc, row, lineText, alike } = this.#state;
    // What is alike for a moment while it is typed is not taken along.
    if (Date.now() - this.#lastTyped >= TYPING || !this.#typedIn.includes(row)) this.#typedIn = alike ? rowsOf(doc).filter((one) => one.line === lineText).map((one) => one.id) : [row];
    this.#type(withTyped(doc, this.#typedIn, text));
  }

  /** settleLine writes a line that was left as it is read: small letters as capitals. Blanks stay as they were typed. */
  settleLine() {
    const { doc, row, lineText, analysis, analysed, faults } = this.#state;
    this.#settles = analysed !== doc && faults.length === 0;
    const read = analysed === doc && faults.length === 0 ? strandOf(analysis, row)?.line : undefined;
    if (read === undefined || bare(read) === bare(lineText)) return;
    const next = withTyped(doc, this.#typedIn.includes(row) ? this.#typedIn : [row], read);
    this.#set({ doc: next, lineText: read, analysed: next });
    this.#draft.keep(next);
  }

  /** typeWritten takes over what is typed into the written pattern, undone in stretches as well. */
  typeWritten(text: string) {
    const { doc } = this.#state;
    this.#type({ ...doc, written: text ? { ...doc.written, text } : undefined });
  }

  #type(doc: Document) {
    this.#settles = false;
    const now = Date.now();
    if (now - this.#lastTyped >= TYPING || !this.#past.canUndo) this.#remember();
    this.#show(doc, {});
    this.#lastTyped = now;
  }

  async #analyse() {
    const asked = ++this.#asked;
    const { doc } = this.#state;
    try {
      const analysis = this.#steady(opened(await unwrap(api.POST("/api/analyse", { params: { query: { unit: this.#unit, brief: true } }, body: doc }))), doc);
      if (asked !== this.#asked) return;
      this.#set({ analysis, analysed: doc, behind: false, faults: [], trouble: null, selection: clamped(this.#state.selection, strandOf(analysis, this.#state.row).placed.length) });
      if (this.#settles) this.settleLine();
    } catch (err) {
      if (asked === this.#asked) this.#set({ behind: true, ...troubleOf(err) });
    }
  }

  /** apply carries operations out; they can be undone as one. It says whether they were. Operations wait for each other, so none is made on an old piece. */
  apply(...operations: Operation[]): Promise<boolean> {
    return this.#enqueue(async () => (await this.#send(operations, false)) !== undefined);
  }

  /**
   * edit changes the line at the selection, and gives what an operation spells out. One
   * that depends on the piece is made when its turn comes: keys may come faster than answers.
   */
  edit(wanted: LineOperation | (() => LineOperation | undefined), select = true): Promise<string | undefined> {
    return this.#enqueue(async () => {
      if (this.#state.faults.length > 0) {
        this.#set({ notice: FIX_LINE_FIRST, pending: "" });
        return undefined;
      }
      const operation = typeof wanted === "function" ? wanted() : wanted;
      if (!operation) return undefined;
      const { anchor, focus } = this.#state.selection;
      return this.#send([{ at: { strand: this.#state.row }, alike: this.#state.alike || undefined, from: Math.min(anchor, focus), to: Math.max(anchor, focus), ...operation }], select);
    });
  }

  #enqueue<T>(work: () => Promise<T>): Promise<T> {
    const done = this.#queue.then(work);
    this.#queue = done.catch(() => undefined);
    return done;
  }

  async #send(operations: Operation[], select: boolean): Promise<string | undefined> {
    const { doc, row, selection } = this.#state;
    try {
      const { edited, analysis: answer, faults } = await unwrap(api.POST("/api/edit", { params: { query: { unit: this.#unit, brief: true } }, body: { document: doc, operations } }));
      if (operations.every((o) => o.do === "copy")) return edited.text ?? "";
      if (this.#state.doc !== doc && rowsOf(doc).some((one) => rowsOf(this.#state.doc).find((now) => now.id === one.id)?.line !== one.line)) {
        // What was typed while the operation was under way is newer. A change of
        // something else is made again on it; a place in the old line means nothing now.
        return operations.every(asksForNoPlace) ? await this.#send(operations, select) : (edited.text ?? "");
      }
      // What changes nothing is nothing to undo.
      if (JSON.stringify(edited.document) !== JSON.stringify(doc)) this.#remember();
      const next = withSharedMaterials(edited.document, doc);
      if (answer) {
        const analysis = opened(answer);
        const selected = select ? { anchor: edited.from, focus: edited.to } : selection;
        this.#show(next, { selection: clamped(selected, strandOf(analysis, row).placed.length) }, this.#steady(analysis, next));
      } else {
        this.#show(next, { behind: true, faults: (faults ?? []).map(lineFault) });
      }
      return edited.text ?? "";
    } catch (err) {
      if (!(err instanceof ApiError || err instanceof Offline)) throw err;
      this.#set({ notice: err instanceof Offline ? "Server unavailable: only the bead line can be edited until it is back." : err.message, pending: "" });
      return undefined;
    }
  }

  /** preview shows on the felt what operations would make of the piece, without making them; none shows the piece again. */
  async preview(operations: Operation[] | null) {
    const asked = ++this.#previewed;
    if (!operations) return this.#set({ preview: null });
    const { doc } = this.#state;
    try {
      const { edited, analysis } = await unwrap(api.POST("/api/edit", { params: { query: { unit: this.#unit, brief: true } }, body: { document: doc, operations } }));
      if (asked !== this.#previewed || this.#state.doc !== doc || !analysis) return;
      const next = withSharedMaterials(edited.document, doc);
      this.#set({ preview: { doc: next, analysis: this.#steady(opened(analysis), next) } });
    } catch (err) {
      if (!(err instanceof ApiError || err instanceof Offline)) throw err;
    }
  }

  /** pin keeps the run at the caret or the selection as it is while the piece is brought to a length, or lets it go. */
  pin() {
    const { anchor, focus } = this.#state.selection;
    const bead = strandOf(this.#state.analysis, this.#state.row)?.placed[Math.max(0, anchor === focus ? focus - 1 : Math.min(anchor, focus))];
    if (bead) void this.apply({ do: "set-pinned", at: { strand: this.#state.row }, field: "run", node: bead.node });
  }

  /** drop puts a dish's bead at the caret, as often as the count typed before it. */
  drop(key: string) {
    const { pending } = this.#state;
    this.#set({ pending: "" });
    return this.edit({ do: "insert", text: `${pending}${key}` });
  }

  /** addGap puts bare cord in at the caret, in the place of the selection. */
  addGap() {
    void this.edit(() => ({ do: "insert", text: FIRST_GAP }));
  }

  /** typeCount takes a digit of the count before a letter. */
  typeCount(digit: string) {
    this.#set({ pending: (this.#state.pending + digit).replace(/^0+/, "").slice(0, 4) });
  }

  /** remove deletes the selection, or the bead beside the caret. */
  remove(side: "before" | "after") {
    if (this.#state.pending) {
      this.#set({ pending: "" });
      return;
    }
    void this.edit(() => {
      const { anchor, focus } = this.#state.selection;
      if (anchor !== focus) return { do: "delete" };
      const [from, to] = side === "before" ? [focus - 1, focus] : [focus, focus + 1];
      return from < 0 || to > this.beads() ? undefined : { do: "delete", from, to };
    });
  }

  async copy(): Promise<string> {
    if (this.#state.selection.anchor === this.#state.selection.focus) return "";
    this.#clipboard = (await this.edit({ do: "copy" })) ?? "";
    this.#set({ copied: this.#clipboard !== "" });
    return this.#clipboard;
  }

  async cut(): Promise<string> {
    const text = await this.copy();
    if (text) await this.edit({ do: "delete" });
    return text;
  }

  paste(text: string) {
    const put = text.trim() || this.#clipboard;
    if (put) void this.edit({ do: "insert", text: put });
  }

  /** step changes the count of the run at the caret. */
  step(by: number) {
    void this.edit(() => {
      const { anchor, focus } = this.#state.selection;
      const bead = strandOf(this.#state.analysis, this.#state.row)?.placed[Math.max(0, anchor === focus ? focus - 1 : Math.min(anchor, focus))];
      return bead && { do: "step", node: bead.node, n: by };
    }, false);
  }

  /** stepNode changes the count of one item of the line. */
  stepNode(id: number, by: number) {
    void this.edit({ do: "step", node: id, n: by }, false);
  }

  /** moveTo moves the selection to another gap. */
  moveTo(gap: number) {
    void this.edit({ do: "move", n: gap });
  }

  /** shuffle puts the selection into another order by chance, no two alike touching. */
  shuffle() {
    void this.edit({ do: "shuffle", n: Math.floor(Math.random() * 1e6) });
  }

  /** setCount gives one item of the line another count; 0 removes it. */
  setCount(id: number, n: number) {
    void this.edit({ do: "count", node: id, n }, false);
  }

  /** pull gives the selected run another count and keeps it selected. */
  async pull(node: number, n: number) {
    const { anchor, focus } = this.#state.selection;
    await this.edit({ do: "count", node, n }, false);
    this.select(Math.min(anchor, focus), Math.min(anchor, focus) + n);
  }

  /** changeLetter gives a dish another letter; it gives what is wrong with it, or null. */
  async changeLetter(from: string, to: string): Promise<string | null> {
    if (from === to) return null;
    await this.edit({ do: "letter", text: `${from} ${to}` }, false);
    return this.#state.notice;
  }

  /** say shows a short notice. */
  say(notice: string) {
    this.#set({ notice, pending: "" });
  }

  // -- rows

  /** toRow takes a row in hand, with the caret at a gap of it; without one, about as far along as it was. */
  toRow(row: string, gap?: number, extend = false) {
    const { analysis, doc, selection } = this.#state;
    if (row !== this.#state.row) {
      const [was, is] = [strandOf(analysis, this.#state.row)?.placed.length ?? 0, strandOf(analysis, row)?.placed.length ?? 0];
      const at = clamped({ anchor: 0, focus: gap ?? (was > 0 ? Math.round((selection.focus / was) * is) : 0) }, is).focus;
      this.#lastTyped = 0;
      this.#set({ row, lineText: lineOf(doc, row), selection: { anchor: at, focus: at }, pending: "", notice: null });
      return;
    }
    if (gap !== undefined) this.move(gap, extend);
  }

  /** nextRow goes to the row above or below. */
  nextRow(by: -1 | 1) {
    const { doc, row } = this.#state;
    const next = rowsOf(doc)[numberOf(doc, row) - 1 + by];
    if (next) this.toRow(next.id);
  }

  /** addRow puts a copy of the row in hand behind it, and takes that in hand. */
  async addRow() {
    const at = this.#state.row;
    if (await this.apply({ do: "add-row", at: { strand: at } })) {
      const { doc } = this.#state;
      this.toRow(rowsOf(doc)[numberOf(doc, at)].id);
    }
  }

  /** setAlike makes changes of the line in every row with the same line, or in the row in hand alone. */
  setAlike(alike: boolean) {
    this.#typedIn = [];
    this.#set({ alike });
  }

  // -- selection

  /** beads counts what stands in the strand in hand: its beads, and the gaps between them. */
  beads = () => strandOf(this.#state.analysis, this.#state.row)?.placed.length ?? 0;

  select(anchor: number, focus: number) {
    this.#set({ selection: clamped({ anchor, focus }, this.beads()), pending: "", notice: null });
  }

  /** reach selects a stretch, or extends the selection to hold it too. */
  reach([from, to]: [number, number], extend: boolean) {
    const { anchor, focus } = this.#state.selection;
    if (extend) this.select(Math.min(anchor, focus, from), Math.max(anchor, focus, to));
    else this.select(from, to);
  }

  move(to: number, extend: boolean) {
    this.select(extend ? this.#state.selection.anchor : to, to);
  }

  // -- history

  undo() {
    this.#goTo(this.#past.back(this.#moment()));
  }

  redo() {
    this.#goTo(this.#past.forth(this.#moment()));
  }

  #goTo(moment: Moment | undefined) {
    if (!moment) return;
    this.#lastTyped = 0;
    this.#show(moment.doc, { row: moment.row, selection: moment.selection });
  }

  // -- the rest of the piece

  /** applyFix carries out a fix. */
  applyFix(fix: Fix) {
    return this.apply(...fix.operations);
  }

  /** takeDrift changes the piece to the catalogue's measures. */
  takeDrift() {
    const { drift } = this.#state;
    if (!drift) return;
    this.#remember();
    this.#show(drift.document, { drift: null });
  }

  /** restored takes over what the server made of the piece by restoring a version. */
  restored(piece: PieceState) {
    this.#draft.goOn(piece.revision);
    this.#remember();
    const row = rowOf(piece.document, this.#state.row).id;
    this.#set({ doc: piece.document, row, lineText: lineOf(piece.document, row), save: "saved", faults: [], selection: { anchor: 0, focus: 0 } });
    void this.#analyse();
  }

  keepOwn = () => this.#set({ drift: null });

  /** settle ends a conflict: with theirs, or with what is here saved over it. */
  settle(take: "theirs" | "mine") {
    const current = this.#state.conflict?.current;
    if (!current) return;
    this.#draft.goOn(current.revision);
    if (take === "theirs") {
      this.#remember();
      this.#show(current.document, { conflict: null, save: "saved" });
    } else {
      this.#set({ conflict: null });
      this.#draft.keep(this.#state.doc);
    }
  }
}

/** asksForNoPlace says whether an operation means the same whatever the line is. */
/** bare is a line without its blanks. */
const bare = (line: string) => line.replace(/\s/g, "");

const asksForNoPlace = (o: Operation) => o.from === undefined && o.node === undefined && o.do !== "set-line";

function clamped({ anchor, focus }: Selection, most: number): Selection {
  const clamp = (i: number) => Math.max(0, Math.min(most, i));
  return { anchor: clamp(anchor), focus: clamp(focus) };
}
