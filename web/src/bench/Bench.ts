import { api, Away, given, Refused, type Analysis, type Document, type Edit, type Fix, type Material, type Outline, type PieceState, type Problem } from "../api/client.ts";
import { fetchCatalogue } from "../materials/catalogue.ts";
import type { Unit } from "../units/length.ts";
import { Draft, keptDraft, type SaveState } from "./Draft.ts";
import { lineOf, withFix, withLine } from "./document.ts";

/** Selection is two gaps of the laid-out strand; focus is the one that moves. */
export interface Selection {
  anchor: number;
  focus: number;
}

export interface LineFault {
  column: number;
  says: string;
  expected?: string;
}

/** BenchState is what the bench shows. It is replaced, never changed. */
export interface BenchState {
  doc: Document;
  /** The line as typed, whether or not it reads. */
  lineText: string;
  analysis: Analysis | null;
  /** The figures belong to an earlier line: what is typed does not read, or the server is away. */
  behind: boolean;
  fault: LineFault | null;
  /** A fault that is not the line's. */
  trouble: string | null;
  selection: Selection;
  pending: string;
  /** Something has been copied that can be put in. */
  copied: boolean;
  notice: string | null;
  save: SaveState;
  conflict: Problem | null;
  drift: PieceState["drift"] | null;
  canUndo: boolean;
  canRedo: boolean;
}

interface Moment {
  doc: Document;
  selection: Selection;
}

/** TYPING is how long a pause ends one undoable stretch of typing, in ms. */
const TYPING = 1200;

/**
 * Bench is the state behind the lay-out view: the document, its analysis, the
 * selection, and everything that has been done. It computes nothing of the job:
 * it asks the server and shows the answer.
 */
export class Bench {
  #state: BenchState;
  #listeners = new Set<() => void>();
  #past: Moment[] = [];
  #future: Moment[] = [];
  #lastTyped = 0;
  #asked = 0;
  #queue: Promise<unknown> = Promise.resolve();
  #unit: Unit;
  #draft: Draft;
  #clipboard = "";
  #outlines = new WeakMap<Material, Outline>();

  constructor(piece: PieceState, unit: Unit) {
    this.#unit = unit;
    const kept = keptDraft(piece.id);
    const doc = kept?.document ?? piece.document;
    this.#state = {
      doc, lineText: lineOf(doc), analysis: null, behind: false, fault: null, trouble: null,
      selection: { anchor: 0, focus: 0 }, pending: "", copied: false, notice: null, save: "saved", conflict: null,
      drift: piece.drift ?? null, canUndo: false, canRedo: false,
    };
    this.#draft = new Draft(piece.id, kept?.base ?? piece.revision, (save, conflict) => this.#set({ save, conflict }));
    if (kept) this.#draft.keep(doc);
    void this.#analyse();
  }

  subscribe = (listener: () => void) => {
    this.#listeners.add(listener);
    return () => this.#listeners.delete(listener);
  };

  snapshot = () => this.#state;

  /**
   * #steady keeps a material's outline the same object from one analysis to the
   * next, so that pictures of beads that have not changed are not painted anew.
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
    this.#state = { ...this.#state, ...change, canUndo: this.#past.length > 0, canRedo: this.#future.length > 0 };
    for (const listener of this.#listeners) listener();
  }

  /** speakIn changes the unit that sentences come in. */
  speakIn(unit: Unit) {
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

  /** idle waits until every edit asked for is done. */
  idle = () => this.#queue;

  // -- changes

  /** change puts another document in place; it can be undone. */
  change(doc: Document, more: Partial<BenchState> = {}, analysis?: Analysis) {
    this.#past.push({ doc: this.#state.doc, selection: this.#state.selection });
    this.#future = [];
    this.#show(doc, more, analysis);
  }

  #show(doc: Document, more: Partial<BenchState>, analysis?: Analysis) {
    this.#asked++;
    this.#set({ doc, lineText: lineOf(doc), pending: "", notice: null, ...(analysis ? { analysis, behind: false, fault: null, trouble: null } : {}), ...more });
    this.#draft.keep(doc);
    if (!analysis) void this.#analyse();
  }

  /** typeLine takes over what is typed into the bead line. A stretch of typing is undone as one. */
  typeLine(text: string) {
    const now = Date.now();
    const doc = withLine(this.#state.doc, text);
    if (now - this.#lastTyped < TYPING && this.#past.length > 0) this.#show(doc, {});
    else this.change(doc);
    this.#lastTyped = now;
  }

  async #analyse() {
    const asked = ++this.#asked;
    const { doc } = this.#state;
    try {
      const analysis = this.#steady(await given(api.POST("/api/analyse", { params: { query: { unit: this.#unit } }, body: doc })), doc);
      if (asked !== this.#asked) return;
      const most = analysis.strands[0].beads;
      const { anchor, focus } = this.#state.selection;
      this.#set({ analysis, behind: false, fault: null, trouble: null, selection: { anchor: Math.min(anchor, most), focus: Math.min(focus, most) } });
    } catch (err) {
      if (asked === this.#asked) this.#set({ behind: true, ...this.#faultOf(err) });
    }
  }

  #faultOf(err: unknown): Partial<BenchState> {
    if (err instanceof Refused) {
      const fault = err.problem.faults?.[0];
      if (fault?.column) return { fault: { column: fault.column, says: fault.says, expected: fault.expected }, trouble: null };
      return { fault: null, trouble: fault?.where ? `${fault.where}: ${fault.says}` : err.message };
    }
    if (err instanceof Away) return { trouble: "The server does not answer just now. Go on typing; the figures follow when it is back." };
    throw err;
  }

  // -- the strand under the hands

  /** edit changes the line at the selection. Edits wait for each other, so none is made on an old strand. */
  edit(edit: Omit<Edit, "from" | "to"> & { from?: number; to?: number }, select = true): Promise<string | undefined> {
    const done = this.#queue.then(() => this.#editNow(edit, select));
    this.#queue = done.catch(() => undefined);
    return done;
  }

  async #editNow(edit: Omit<Edit, "from" | "to"> & { from?: number; to?: number }, select: boolean): Promise<string | undefined> {
    if (this.#state.fault) {
      this.#set({ notice: "Mend the bead line first; what is typed there does not read yet.", pending: "" });
      return undefined;
    }
    const { anchor, focus } = this.#state.selection;
    const { doc } = this.#state;
    try {
      const { edited, analysis } = await given(api.POST("/api/edit", {
        params: { query: { unit: this.#unit } },
        body: { document: doc, edit: { from: Math.min(anchor, focus), to: Math.max(anchor, focus), ...edit } },
      }));
      // A line typed while the hand was at work is the newer word.
      if (analysis && lineOf(this.#state.doc) === lineOf(doc)) {
        const most = analysis.strands[0].beads;
        const selection = select ? { anchor: Math.min(edited.from, most), focus: Math.min(edited.to, most) } : { anchor: Math.min(anchor, most), focus: Math.min(focus, most) };
        this.change(withLine(this.#state.doc, edited.line), { selection }, this.#steady(analysis, doc));
      }
      return edited.text;
    } catch (err) {
      const fault = err instanceof Refused ? err.message : "The server does not answer just now, so the strand cannot be changed by hand. The bead line still takes what you type.";
      this.#set({ notice: fault, pending: "" });
      return undefined;
    }
  }

  /** drop puts a dish's bead at the caret, as often as the count typed before it. */
  drop(key: string) {
    const { pending } = this.#state;
    this.#set({ pending: "" });
    return this.edit({ do: "insert", text: `${pending}${key}` });
  }

  /** typeCount takes a digit of the count before a letter. */
  typeCount(digit: string) {
    const pending = (this.#state.pending + digit).replace(/^0+/, "").slice(0, 4);
    this.#set({ pending });
  }

  /** remove takes out the selection, or the bead beside the caret. */
  remove(side: "before" | "after") {
    if (this.#state.pending) {
      this.#set({ pending: "" });
      return;
    }
    const { anchor, focus } = this.#state.selection;
    if (anchor !== focus) return void this.edit({ do: "delete" });
    const [from, to] = side === "before" ? [focus - 1, focus] : [focus, focus + 1];
    if (from < 0 || to > this.beads()) return;
    void this.edit({ do: "delete", from, to });
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
    const strand = this.#state.analysis?.strands[0];
    const { anchor, focus } = this.#state.selection;
    const bead = strand?.placed[Math.max(0, anchor === focus ? focus - 1 : Math.min(anchor, focus))];
    if (bead) this.stepNode(bead.node, by);
  }

  /** stepNode changes the count of one item of the line. */
  stepNode(id: number, by: number) {
    const node = findNode(this.#state.analysis?.drawing?.nodes ?? [], id);
    if (node && node.count + by >= 1) void this.edit({ do: "count", node: id, n: node.count + by }, false);
  }

  /** moveTo takes the selection to another gap. */
  moveTo(gap: number) {
    void this.edit({ do: "move", n: gap });
  }

  /** shuffle puts the selection into another order by chance, no two alike touching. */
  shuffle() {
    void this.edit({ do: "shuffle", n: Math.floor(Math.random() * 1e6) });
  }

  /** setCount gives one item of the line another count; 0 takes it out. */
  setCount(id: number, n: number) {
    void this.edit({ do: "count", node: id, n }, false);
  }

  /** pull gives the selected run another count and keeps it selected. */
  async pull(node: number, n: number) {
    const { anchor, focus } = this.#state.selection;
    await this.edit({ do: "count", node, n }, false);
    this.select(Math.min(anchor, focus), Math.min(anchor, focus) + n);
  }

  /** changeLetter gives a dish another letter, in the line and on the dish. Two dishes change places if it is in use. */
  async changeLetter(from: string, to: string): Promise<string | null> {
    const { doc, fault } = this.#state;
    if (from === to) return null;
    if (fault) return "Mend the bead line first; what is typed there does not read yet.";
    try {
      const { edited } = await given(api.POST("/api/edit", { body: { document: doc, edit: { do: "letter", from: 0, to: 0, text: `${from} ${to}` } } }));
      const palette = Object.fromEntries(Object.entries(doc.palette).map(([key, id]) => [key === from ? to : key === to ? from : key, id]));
      this.change(withLine({ ...doc, palette }, edited.line));
      return null;
    } catch (err) {
      return (err as Error).message;
    }
  }

  /** say shows a short notice. */
  say(notice: string) {
    this.#set({ notice, pending: "" });
  }

  // -- selection

  beads = () => this.#state.analysis?.strands[0].beads ?? 0;

  select(anchor: number, focus: number) {
    const clamp = (i: number) => Math.max(0, Math.min(this.beads(), i));
    this.#set({ selection: { anchor: clamp(anchor), focus: clamp(focus) }, pending: "", notice: null });
  }

  /** reach selects a stretch, or extends the selection to hold it too. */
  reach([from, to]: [number, number], extend: boolean) {
    const { anchor, focus } = this.#state.selection;
    if (extend) this.select(Math.min(anchor, focus, from), Math.max(anchor, focus, to));
    else this.select(from, to);
  }

  move(to: number, extend: boolean) {
    const at = Math.max(0, Math.min(this.beads(), to));
    this.select(extend ? this.#state.selection.anchor : at, at);
  }

  // -- history

  undo() {
    const last = this.#past.pop();
    if (!last) return;
    this.#future.push({ doc: this.#state.doc, selection: this.#state.selection });
    this.#lastTyped = 0;
    this.#show(last.doc, { selection: last.selection });
  }

  redo() {
    const next = this.#future.pop();
    if (!next) return;
    this.#past.push({ doc: this.#state.doc, selection: this.#state.selection });
    this.#lastTyped = 0;
    this.#show(next.doc, { selection: next.selection });
  }

  // -- the rest of the piece

  /** applyFix carries out a fix, fetching from the shelf what it needs. */
  async applyFix(fix: Fix) {
    try {
      const fetched = fix.materials?.length ? (await fetchCatalogue({ ids: fix.materials.join(",") })).items : [];
      this.change(withFix(this.#state.doc, fix, fetched));
    } catch (err) {
      this.say((err as Error).message);
    }
  }

  /** takeDrift changes the piece to the catalogue's materials, having been told to. */
  takeDrift() {
    const { drift, doc } = this.#state;
    if (!drift) return;
    const now = new Map(drift.document.materials.map((m) => [m.id, m]));
    this.change({ ...doc, materials: doc.materials.map((m) => now.get(m.id) ?? m) }, { drift: null });
  }

  /** restored takes over what the server made of the piece by restoring a version. */
  restored(piece: PieceState) {
    this.#draft.goOn(piece.revision);
    this.#past.push({ doc: this.#state.doc, selection: this.#state.selection });
    this.#future = [];
    this.#set({ doc: piece.document, lineText: lineOf(piece.document), save: "saved", fault: null, selection: { anchor: 0, focus: 0 } });
    void this.#analyse();
  }

  keepOwn = () => this.#set({ drift: null });

  /** settle ends a conflict: with theirs, or with what is here put on top of it. */
  settle(take: "theirs" | "mine") {
    const current = this.#state.conflict?.current;
    if (!current) return;
    this.#draft.goOn(current.revision);
    if (take === "theirs") this.change(current.document, { conflict: null, save: "saved" });
    else {
      this.#set({ conflict: null });
      this.#draft.keep(this.#state.doc);
    }
  }
}

interface HasItems {
  id: number;
  count: number;
  items?: HasItems[];
  centre?: HasItems[];
}

function findNode(nodes: HasItems[], id: number): HasItems | undefined {
  for (const node of nodes) {
    const found = node.id === id ? node : (findNode(node.items ?? [], id) ?? findNode(node.centre ?? [], id));
    if (found) return found;
  }
  return undefined;
}
