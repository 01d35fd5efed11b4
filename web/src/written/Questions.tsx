import { MenuItem, Select } from "@mui/material";
import type { Audit, Document, Material } from "../api/client.ts";
import { nameAmong } from "../shop/size.ts";

interface Props {
  audit: Audit;
  doc: Document;
  onAnswer: (phrase: string, id: string) => void;
}

/** Questions asks once which material a name in the text means. */
export function Questions({ audit, doc, onAnswer }: Props) {
  if (audit.questions.length === 0) return null;
  return (
    <section aria-label="Names to settle">
      <h2>Which one is meant?</h2>
      {audit.questions.map(({ phrase, likely, asked }, i) => (
        <div key={phrase} className="ask">
          <span id={`asked-${i}`}>
            “{phrase}”{asked > 1 && <span className="quiet">, {asked} times</span>}
          </span>
          <Select size="small" displayEmpty value="" onChange={(e) => onAnswer(phrase, e.target.value)} SelectDisplayProps={{ "aria-labelledby": `asked-${i}` }}>
            <MenuItem value="" disabled>
              Choose
            </MenuItem>
            {inOrder(doc.materials, likely).map((m) => (
              <MenuItem key={m.id} value={m.id}>
                {nameAmong(doc, m.id)}
              </MenuItem>
            ))}
            <MenuItem value="none">Not in this piece</MenuItem>
            <MenuItem value="nothing">Not a material</MenuItem>
          </Select>
        </div>
      ))}
    </section>
  );
}

/** inOrder puts the likeliest first. */
function inOrder(materials: Material[], likely: string[]): Material[] {
  const rank = (m: Material) => (likely.includes(m.id) ? likely.indexOf(m.id) : likely.length);
  return [...materials].sort((a, b) => rank(a) - rank(b));
}
