import { Autocomplete, Button, Dialog, DialogActions, DialogContent, DialogTitle, TextField } from "@mui/material";
import { useDeferredValue, useState } from "react";
import type { CatalogueItem, Material } from "../api/client.ts";
import { BeadPicture } from "../pictures/BeadPicture.tsx";
import { useMaterials, type Filter } from "./catalogue.ts";
import { sizeOf } from "./size.ts";
import { Length } from "../ui/UnitContext.tsx";

interface Props {
  title: string;
  filter: Filter;
  /** The ids of what is not offered. */
  without?: string[];
  /** The letter of the dish that has a material already, which is said beside it. */
  letterOf?: (material: string) => string | undefined;
  onPick: (material: Material) => void;
  /** Offers to make a new material, called as it was searched for. */
  onNew?: (name: string) => void;
  onClose: () => void;
  /** Offers to remove what is there. */
  onRemove?: () => void;
  /** Offers to move what is there. */
  moves?: { label: string; onMove: () => void }[];
}

/** CataloguePicker finds a material by typing a few letters of its name, size or colour of metal. */
export function CataloguePicker({ title, filter, without = [], letterOf, onPick, onNew, onClose, onRemove, moves = [] }: Props) {
  const [typed, setTyped] = useState("");
  const search = useDeferredValue(typed);
  const found = useMaterials({ ...filter, search, limit: 60 });
  const items: CatalogueItem[] = (found.data?.items ?? []).filter((item) => !without.includes(item.material.id));
  return (
    <Dialog open onClose={onClose} maxWidth="sm" fullWidth aria-labelledby="picker-title">
      <DialogTitle id="picker-title" component="h1" variant="h1">
        {title}
      </DialogTitle>
      <DialogContent sx={{ minHeight: 440, pt: "8px !important" }}>
        <Autocomplete
          open
          disablePortal
          autoHighlight
          openOnFocus
          options={items}
          getOptionLabel={(item) => `${item.material.name}, ${sizeOf(item.material)}`}
          getOptionKey={(item) => item.material.id}
          inputValue={typed}
          onInputChange={(_, text) => setTyped(text)}
          // What is listed while an answer is on its way has to fit too, since Enter takes the first.
          filterOptions={(all, { inputValue }) => exactFirst(all.filter((item) => matches(item, inputValue)), inputValue)}
          onChange={(_, item) => item && onPick(item.material)}
          onClose={(_, why) => why === "escape" && onClose()}
          noOptionsText={found.isPending ? "Searching …" : "No material matches."}
          slotProps={{ listbox: { sx: { maxHeight: 340 } }, popper: { sx: { position: "static !important", transform: "none !important", width: "100% !important" } }, paper: { elevation: 0 } }}
          renderInput={(params) => <TextField {...params} label="Search the catalogue" autoFocus placeholder="pearl, brass, seed, 6 mm …" />}
          renderOption={({ key, ...props }, item) => (
            <li key={key} {...props}>
              <span style={{ display: "grid", gridTemplateColumns: "44px 1fr auto", gap: 12, alignItems: "center", width: "100%" }}>
                {item.outline ? <BeadPicture material={item.material} outline={item.outline} size={36} /> : <span />}
                <span>{item.material.name}</span>
                <span className="quiet">
                  {letterOf?.(item.material.id) && `dish ${letterOf(item.material.id)} · `}
                  {sizeOf(item.material, item.outline)}
                  {item.onHand > 0 && <> · {item.material.class === "cord" || item.material.type === "chain" ? <>in stock <Length mm={item.onHand} /></> : `${item.onHand} in stock`}</>}
                </span>
              </span>
            </li>
          )}
        />
      </DialogContent>
      <DialogActions>
        {moves.map(({ label, onMove }) => (
          <Button key={label} onClick={onMove}>
            {label}
          </Button>
        ))}
        {onNew && (
          <Button sx={{ mr: "auto" }} onClick={() => onNew(typed.trim())}>
            New material …
          </Button>
        )}
        {onRemove && <Button onClick={onRemove}>Remove</Button>}
        <Button onClick={onClose}>Cancel</Button>
      </DialogActions>
    </Dialog>
  );
}

/** exactFirst puts what is called exactly as was typed before all others, then what begins so. */
function exactFirst(items: CatalogueItem[], typed: string): CatalogueItem[] {
  const wanted = typed.trim().toLowerCase();
  const rank = ({ material }: CatalogueItem) => {
    const name = material.name.toLowerCase();
    return name === wanted || material.id === wanted ? 0 : name.startsWith(wanted) ? 1 : 2;
  };
  return wanted ? [...items].sort((a, b) => rank(a) - rank(b)) : items;
}

/** matches says whether every word typed is in what the material is called or made of. */
function matches({ material: m }: CatalogueItem, typed: string): boolean {
  const about = [m.name, m.id, sizeOf(m), m.shape, m.type, m.metal, m.look?.finish].join(" ").toLowerCase();
  return typed.toLowerCase().split(/\s+/).every((word) => about.includes(word));
}
