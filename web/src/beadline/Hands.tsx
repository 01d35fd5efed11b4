import type { Bench } from "../piece/Bench.ts";
import type { BenchState } from "../piece/BenchState.ts";

interface Hand {
  name: string;
  key: string;
  does: (bench: Bench) => void;
}

/** HANDS is what can be done to the selection, by mouse as by key. */
const HANDS: Hand[] = [
  { name: "Group", key: "(", does: (b) => void b.edit({ do: "group" }) },
  { name: "Free", key: "%", does: (b) => void b.edit({ do: "any-order" }) },
  { name: "Ungroup", key: ")", does: (b) => void b.edit({ do: "ungroup" }) },
  { name: "Mirror", key: "<", does: (b) => void b.edit({ do: "mirror" }) },
  { name: "Reverse", key: "~", does: (b) => void b.edit({ do: "reverse" }) },
  { name: "Drop", key: "|", does: (b) => void b.edit({ do: "hang-drop" }) },
  { name: "Loop", key: "&", does: (b) => void b.edit({ do: "hang-loop" }) },
  { name: "Pin", key: "!", does: (b) => b.pin() },
  { name: "Fill", key: "{", does: (b) => void b.edit({ do: "fill" }) },
  { name: "Shuffle", key: "*", does: (b) => b.shuffle() },
  { name: "Cut", key: "Ctrl X", does: (b) => void b.cut() },
  { name: "Copy", key: "Ctrl C", does: (b) => void b.copy() },
  { name: "Delete", key: "Delete", does: (b) => b.remove("after") },
];

/** Hands are the tools for the selected beads; with none selected, for the caret. */
export function Hands({ bench, state }: { bench: Bench; state: BenchState }) {
  const chosen = state.selection.anchor !== state.selection.focus;
  const paste = { name: "Paste", key: "Ctrl V", does: (b: Bench) => b.paste("") };
  const shown = chosen ? [...HANDS, paste] : state.copied ? [paste] : [];
  if (shown.length === 0) return null;
  return (
    <div className="hands" role="toolbar" aria-label="For the selected beads">
      {shown.map((hand) => (
        <button
          type="button"
          key={hand.name}
          title={`${hand.name} (${hand.key})`}
          onMouseDown={(e) => e.preventDefault()}
          onClick={() => hand.does(bench)}
        >
          {hand.name}
        </button>
      ))}
    </div>
  );
}
