import { DISH, rowsOf, strandOf } from "../api/piece.ts";
import { Menu, MenuItem } from "@mui/material";
import { useMemo, useState } from "react";
import { useLocation, useNavigate } from "react-router";
import type { Bench } from "../piece/Bench.ts";
import type { BenchState } from "../piece/BenchState.ts";
import { BeadPicture } from "../pictures/BeadPicture.tsx";
import { Cover } from "../photos/Cover.tsx";
import { useCovers } from "../photos/photos.ts";
import { useHeld } from "../shop/catalogue.ts";
import { LetterDialog } from "./LetterDialog.tsx";
import { sizedBy, sizedWord, sizeOf } from "../shop/size.ts";

interface Props {
  bench: Bench;
  state: BenchState;
  /** The dish whose beads light up on the strand. */
  lit: string | null;
  onLight: (key: string | null) => void;
  onAdd: () => void;
  onChange: (key: string) => void;
}

/** Dishes hold the beads of this piece, each under its letter. */
export function Dishes({ bench, state, lit, onLight, onAdd, onChange }: Props) {
  const { doc, analysis, selection } = state;
  const [menu, setMenu] = useState<{ key: string; at: HTMLElement } | null>(null);
  const [lettering, setLettering] = useState<string | null>(null);
  const shop = useHeld(Object.values(doc.palette));
  const used = useMemo(() => new Map(analysis?.tally.map((c) => [c.material, c.count])), [analysis]);
  const held = strandOf(analysis, state.row)?.placed[Math.max(0, Math.min(selection.anchor, selection.focus) - (selection.anchor === selection.focus ? 1 : 0))]?.key;
  const covers = useCovers("material", Object.values(doc.palette));
  const navigate = useNavigate();
  const { pathname } = useLocation();
  const componentAt = (key: string | undefined) => key !== undefined && doc.materials.some((m) => m.id === doc.palette[key] && m.component);
  const placed = analysis?.strands.flatMap((strand) => strand.placed) ?? [];
  const takenInTurn = (key: string) => placed.filter((b) => b.key === key).length;
  const onOne = (key: string) => doc.oneCord?.includes(key) ?? false;
  const inLine = (key: string) => placed.some((b) => b.key === key);

  return (
    <section aria-label="Dishes">
      <h2>Beads</h2>
      <button type="button" className="link change" aria-label="Add a dish" title="Add a bead from the catalogue (+)" onClick={onAdd}>
        + Add
      </button>
      {Object.entries(doc.palette).map(([key, id]) => {
        const material = doc.materials.find((m) => m.id === id);
        if (!material) return null;
        const onShelf = shop.get(id)?.onHand;
        const uses = used.get(id) ?? 0;
        const short = analysis?.short?.find((l) => l.material === id)?.short ?? 0;
        const outline = analysis?.drawing?.outlines[id] ?? shop.get(id)?.outline;
        return (
          <div key={key} className={`dish ${held === key ? "held" : ""} ${lit === key ? "lit" : ""}`}>
            <button
              type="button"
              className="plain drop"
              aria-pressed={lit === key}
              draggable
              onDragStart={(e) => {
                e.dataTransfer.setData(DISH, key);
                e.dataTransfer.effectAllowed = "copy";
              }}
              onClick={(e) => e.detail < 2 && onLight(lit === key ? null : key)}
              onDoubleClick={() => {
                onLight(null);
                void bench.drop(key);
              }}
              title={`Shows its beads; twice adds one at the caret, as the letter ${key} does; drag it where it goes. Size ${sizedBy(material)}`}
            >
              <span className="bowl">
                <BeadPicture material={material} outline={outline} size={34} px={3.1} />
                <span className="letter">{key}</span>
                <Cover photo={covers[id]} name={material.name} />
              </span>
              <span>
                <span className="name">{material.name}</span>
                <span className="facts" style={{ display: "block" }}>
                  {[sizeOf(material, outline), sizedWord(material)].filter(Boolean).join(", ")}
                  <br />
                  <span className={short > 0 ? "in-stock short" : undefined}>
                    {material.component?.kind === "turn" ? takenInTurn(key) : uses}
                    {onShelf !== undefined && !(material.component && onShelf === 0) ? ` of ${onShelf}` : " used"}
                    {short > 0 && `: ${short} short`}
                  </span>
                  {onOne(key) && ", on one cord"}
                </span>
              </span>
            </button>
            <button type="button" className="one-more" aria-label={`Add ${material.name} at the caret`} title={`Add one at the caret (${key})`} onMouseDown={(e) => e.preventDefault()} onClick={() => void bench.drop(key)}>
              +
            </button>
            <button type="button" className="more" aria-label={`Dish ${key}: change or remove`} aria-haspopup="menu" onClick={(e) => setMenu({ key, at: e.currentTarget })}>
              ⋯
            </button>
          </div>
        );
      })}
      <Menu open={menu !== null} anchorEl={menu?.at} onClose={() => setMenu(null)}>
        <MenuItem
          onClick={() => {
            onChange(menu!.key);
            setMenu(null);
          }}
        >
          Replace bead …
        </MenuItem>
        {componentAt(menu?.key) && <MenuItem onClick={() => void navigate(`/materials/component/${doc.palette[menu!.key]}`, { state: { back: pathname } })}>Edit component …</MenuItem>}
        <MenuItem
          onClick={() => {
            setLettering(menu!.key);
            setMenu(null);
          }}
        >
          Change letter …
        </MenuItem>
        {rowsOf(doc).some((row) => (row.passes ?? 1) > 1) && (
          <MenuItem
            onClick={() => {
              void bench.apply({ do: "set-one-cord", text: menu!.key, n: onOne(menu!.key) ? 0 : 1 });
              setMenu(null);
            }}
          >
            {menu && onOne(menu.key) ? "String it on all cords" : "Let it ride on one cord"}
          </MenuItem>
        )}
        <MenuItem
          onClick={() => {
            void bench.apply({ do: "set-pinned", text: menu!.key });
            setMenu(null);
          }}
        >
          {menu && doc.pinned?.some((pin) => pin.letter === menu.key) ? "Let its beads change" : "Keep its beads as they are"}
        </MenuItem>
        <MenuItem
          disabled={menu !== null && inLine(menu.key)}
          onClick={() => {
            void bench.apply({ do: "remove-dish", text: menu!.key });
            setMenu(null);
          }}
        >
          {menu !== null && inLine(menu.key) ? "Remove (it is in the line)" : "Remove"}
        </MenuItem>
      </Menu>
      {lettering && <LetterDialog bench={bench} letter={lettering} onClose={() => setLettering(null)} />}
    </section>
  );
}
