import type { ReactNode } from "react";
import { rowOf, strandOf } from "../api/piece.ts";
import type { Bench } from "../piece/Bench.ts";
import type { BenchState } from "../piece/BenchState.ts";
import { STRAND_KEYS, type StrandAction } from "../piece/keys.ts";
import { MenuButton } from "../ui/MenuButton.tsx";

interface Hand {
  says: string;
  key: StrandAction;
  does: (bench: Bench) => void;
  /** It works at the caret too, with nothing selected. */
  atCaret?: boolean;
}

const group: Hand = { says: "Group", key: "group", does: (b) => void b.edit({ do: "group" }) };
const mirror: Hand = { says: "Mirror", key: "mirror", does: (b) => void b.edit({ do: "mirror" }) };
const reverse: Hand = { says: "Reverse", key: "reverse", does: (b) => void b.edit({ do: "reverse" }) };
const cut: Hand = { says: "Cut", key: "cut", does: (b) => void b.cut() };
const copy: Hand = { says: "Copy", key: "copy", does: (b) => void b.copy() };
const remove: Hand = { says: "Delete", key: "delete", does: (b) => b.remove("after") };

/** SELDOM is what few know: in a menu, with its sign beside the words. */
const SELDOM: Hand[] = [
  { says: "Ungroup", key: "ungroup", does: (b) => void b.edit({ do: "ungroup" }), atCaret: true },
  { says: "In any order", key: "anyOrder", does: (b) => void b.edit({ do: "any-order" }) },
  { says: "Repeat to fill the length", key: "fill", does: (b) => void b.edit({ do: "fill" }) },
  { says: "Shuffle", key: "shuffle", does: (b) => b.shuffle() },
  { says: "Hang as a drop", key: "hang", does: (b) => void b.edit({ do: "hang-drop" }) },
  { says: "Hang in a loop of the cord", key: "loop", does: (b) => void b.edit({ do: "hang-loop" }) },
  { says: "Keep as it is", key: "pin", does: (b) => b.pin(), atCaret: true },
  { says: "Add gap", key: "gap", does: (b) => b.addGap(), atCaret: true },
  { says: "Select all", key: "selectAll", does: (b) => b.select(0, b.beads()), atCaret: true },
];

const keysOf = (action: StrandAction) => STRAND_KEYS.find((one) => one.action === action)!.keys;

interface Props {
  bench: Bench;
  state: BenchState;
  onReplace: () => void;
  /** Asks for beads that slide over those of the row. */
  onSliding: () => void;
  /** What stands at its right. */
  children: ReactNode;
}

/** Toolbar is what can be done to the selected beads, by mouse and touch as by key. It is as high with nothing selected. */
export function Toolbar({ bench, state, onReplace, onSliding, children }: Props) {
  const { anchor, focus } = state.selection;
  const chosen = anchor !== focus;
  const row = rowOf(state.doc, state.row);
  const any = (strandOf(state.analysis, state.row)?.placed.length ?? 0) > 0;
  const tool = (hand: Hand, className = "tool") => (
    <button
      type="button"
      key={hand.says}
      className={className}
      title={`${hand.says} (${keysOf(hand.key)})`}
      disabled={!chosen}
      onMouseDown={(e) => e.preventDefault()} // the strand keeps the focus
      onClick={() => hand.does(bench)}
    >
      {hand.says}
    </button>
  );
  const step = (says: string, sign: string, by: number) => (
    <button type="button" className="tool" aria-label={says} title={`${says} (${by > 0 ? "↑" : "↓"})`} disabled={!any} onMouseDown={(e) => e.preventDefault()} onClick={() => bench.step(by)}>
      {sign}
    </button>
  );
  return (
    <div className="hands" role="toolbar" aria-label="For the selected beads">
      {[group, mirror, reverse].map((hand) => tool(hand))}
      <button type="button" className="tool" disabled={!any} onClick={onReplace}>
        Replace bead
      </button>
      {step("One bead fewer", "−", -1)}
      {step("One bead more", "+", 1)}
      {[cut, copy].map((hand) => tool(hand, "tool if-wide"))}
      <button type="button" className="tool if-wide" title="Paste (Ctrl V)" disabled={!state.copied} onMouseDown={(e) => e.preventDefault()} onClick={() => bench.paste("")}>
        Paste
      </button>
      {tool(remove)}
      <MenuButton
        label="More"
        name="More for the selected beads"
        className="tool"
        choices={[
          ...SELDOM.map((hand) => ({ says: hand.says, hint: keysOf(hand.key), disabled: !chosen && !hand.atCaret, does: () => hand.does(bench) })),
          { says: "Add sliding beads", disabled: row.cord === undefined || row.lacing !== undefined || row.riders !== undefined, does: onSliding },
          ...[cut, copy].map((hand) => ({ says: hand.says, hint: keysOf(hand.key), disabled: !chosen, does: () => hand.does(bench) })),
          { says: "Paste", hint: "Ctrl V", disabled: !state.copied, does: () => bench.paste("") },
        ]}
      />
      <span className="apart" />
      {children}
    </div>
  );
}
