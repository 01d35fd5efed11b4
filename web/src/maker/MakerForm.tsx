import { Button, Checkbox, FormControlLabel, TextField } from "@mui/material";
import { useState, type ReactNode } from "react";
import type { Component, Material } from "../api/client.ts";
import { CataloguePicker } from "../shop/CataloguePicker.tsx";
import { sizeOf } from "../shop/size.ts";
import { BeadPicture } from "../pictures/BeadPicture.tsx";
import type { Filter } from "../shop/catalogue.ts";
import { NumberField, SizeField } from "../ui/NumberField.tsx";
import { freeLetter, KINDS, sectionsOf, type Section } from "./kinds.ts";
import { TypedBefore } from "../ui/TypedBefore.tsx";
import type { Maker } from "./useMaker.ts";

interface Asked {
  title: string;
  filter: Filter;
  take: (m: Material) => void;
  remove?: () => void;
}

interface Props {
  maker: Maker;
  ask: (asked: Asked) => void;
}

const RINGS: Filter = { spot: "ring" };

/** MakerForm lists the parts of a component from the top down, each to be changed. */
export function MakerForm({ maker }: { maker: Maker }) {
  const [asked, ask] = useState<Asked | null>(null);
  const { component, material } = maker;
  const kind = KINDS.find((k) => k.kind === component.kind)!;
  return (
    <aside className="maker-form" aria-label="Parts">
      {maker.isBack && <TypedBefore onGiveUp={maker.giveUp} />}
      <TextField select label="Kind" value={component.kind} onChange={(e) => maker.setKind(e.target.value as Component["kind"])} helperText={kind.says} slotProps={{ select: { native: true }, inputLabel: { shrink: true } }}>
        {KINDS.map((k) => (
          <option key={k.kind} value={k.kind}>
            {k.name}
          </option>
        ))}
      </TextField>
      <Trouble maker={maker} of="" />
      {sectionsOf(component).map((section) => {
        const Part = SECTIONS[section];
        return <Part key={section} maker={maker} ask={ask} />;
      })}
      <section>
        <h2>In the catalogue</h2>
        <div className="pair">
          <NumberField label="In stock" value={maker.onHand} onChange={(n) => maker.setOnHand(n ?? 0)} />
          <NumberField label="Weight, g" value={material.massG} onChange={(massG) => maker.change({ massG })} />
        </div>
        <TextField multiline label="Note for the bench" value={material.note ?? ""} onChange={(e) => maker.change({ note: e.target.value || undefined })} slotProps={{ htmlInput: { maxLength: 500 } }} />
      </section>
      {asked && (
        <CataloguePicker
          title={asked.title}
          filter={asked.filter}
          onClose={() => ask(null)}
          onRemove={asked.remove && (() => (asked.remove!(), ask(null)))}
          onPick={(m) => {
            asked.take(m);
            ask(null);
          }}
        />
      )}
    </aside>
  );
}

const SECTIONS: Record<Section, (props: Props) => ReactNode> = { rings: Rings, pin: Pin, loop: Loop, line: Line, below: Below, coil: Coil, tassel: Tassel, beaded: Beaded, strung: Strung, upper: Upper, turn: Turn };

/** Trouble says what is wrong with a field, below it. */
function Trouble({ maker, of }: { maker: Maker; of: string }) {
  const says = [...maker.faults].filter(([field]) => (of === "" ? field === "" : field === of || field.startsWith(`${of}[`) || field.startsWith(`${of}.`))).map(([, text]) => text);
  if (says.length === 0) return null;
  return (
    <p role="alert" className="trouble">
      {says.join(" ")}
    </p>
  );
}

/** PartRow is one part with its picture; pressing it chooses another. */
function PartRow({ maker, id, onChange, onRemove, extra }: { maker: Maker; id: string; onChange: () => void; onRemove?: () => void; extra?: ReactNode }) {
  const part = maker.parts.get(id);
  const name = part?.material.name ?? id;
  return (
    <div className="part-row">
      <button type="button" className="plain" onClick={onChange} title="Choose another">
        {part?.outline ? <BeadPicture material={part.material} outline={part.outline} size={30} /> : <span className={part?.material.type?.endsWith("-pin") ? "dot pin" : "dot"} />}
        <span>
          <b>{name}</b>
          <small>{part ? sizeOf(part.material) : "…"}</small>
        </span>
      </button>
      {extra}
      {onRemove && (
        <button type="button" className="more" aria-label={`Remove ${name}`} onClick={onRemove}>
          ×
        </button>
      )}
    </div>
  );
}

function Add({ children, onClick }: { children: string; onClick: () => void }) {
  return (
    <Button size="small" onClick={onClick} className="add">
      + {children}
    </Button>
  );
}

function Rings({ maker, ask }: Props) {
  const rings = maker.component.rings ?? [];
  const set = (next: string[]) => maker.changeComponent({ rings: next });
  const last = rings.at(-1) ?? maker.usual.ring;
  return (
    <section>
      <h2>Rings</h2>
      {rings.map((id, i) => (
        <PartRow key={i} maker={maker} id={id} onRemove={() => set(rings.filter((_, k) => k !== i))} onChange={() => ask({ title: "Another ring", filter: RINGS, take: (m) => set(rings.map((r, k) => (k === i ? m.id : r))) })} />
      ))}
      <Add onClick={() => (last ? set([...rings, last]) : ask({ title: "A ring", filter: RINGS, take: (m) => set([m.id]) }))}>Add a ring</Add>
      {rings.length > 0 && maker.component.kind !== "link" && (
        <FormControlLabel control={<Checkbox size="small" checked={maker.component.oneCord ?? false} onChange={(e) => maker.changeComponent({ oneCord: e.target.checked || undefined })} />} label="Hangs on one of two cords" />
      )}
      <Trouble maker={maker} of="rings" />
    </section>
  );
}

function Pin({ maker, ask }: Props) {
  const { kind, pin } = maker.component;
  const types = kind === "link" || kind === "pendant" ? "eye-pin" : "head-pin";
  const asked: Asked = { title: "The pin", filter: { types }, take: (m) => maker.changeComponent({ pin: m.id }), remove: kind === "pendant" && pin ? () => maker.changeComponent({ pin: undefined, line: undefined, palette: undefined }) : undefined };
  return (
    <section>
      <h2>Pin</h2>
      {pin ? <PartRow maker={maker} id={pin} onChange={() => ask(asked)} onRemove={asked.remove} /> : <Add onClick={() => ask(asked)}>{kind === "pendant" ? "Add a pin with beads" : "Choose a pin"}</Add>}
      <Trouble maker={maker} of="pin" />
    </section>
  );
}

function Loop({ maker }: Props) {
  const c = maker.component;
  return (
    <section>
      <h2>Loop</h2>
      <div className="pair">
        <TextField select label="Made" value={c.loop ?? "simple"} onChange={(e) => maker.changeComponent({ loop: e.target.value as Component["loop"], turns: e.target.value === "wrapped" ? (c.turns ?? 2) : undefined })} slotProps={{ select: { native: true }, inputLabel: { shrink: true } }}>
          <option value="simple">simple</option>
          <option value="wrapped">wrapped</option>
        </TextField>
        <SizeField label="Inside" value={c.loopMm} onChange={(loopMm) => maker.changeComponent({ loopMm })} />
        {c.loop === "wrapped" && <NumberField label="Wraps" value={c.turns} onChange={(turns) => maker.changeComponent({ turns: turns && Math.round(turns) })} />}
      </div>
      {(c.kind === "link" || c.kind === "pendant") && (
        <FormControlLabel control={<Checkbox size="small" checked={c.crosswise ?? false} onChange={(e) => maker.changeComponent({ crosswise: e.target.checked || undefined })} />} label="The two loops lie crosswise" />
      )}
      <Trouble maker={maker} of="loop" />
    </section>
  );
}

function Line({ maker, ask }: Props) {
  const { kind, line = "", palette = {} } = maker.component;
  const add = (m: Material) => {
    const known = Object.entries(palette).find(([, id]) => id === m.id)?.[0];
    const letter = known ?? freeLetter(palette, m.name);
    maker.changeComponent({ palette: { ...palette, [letter]: m.id }, line: `${line} ${letter}`.trim() });
  };
  return (
    <section>
      <h2>{kind === "coil" ? "Beads, from the cord out" : "Beads, from the loop"}</h2>
      {Object.entries(palette).map(([key, id]) => (
        <PartRow
          key={key}
          maker={maker}
          id={id}
          extra={
            <Button size="small" aria-label={`Add ${maker.parts.get(id)?.material.name ?? key} to the pin`} onClick={() => maker.changeComponent({ line: `${line} ${key}`.trim() })}>
              + {key}
            </Button>
          }
          onChange={() => ask({ title: `Another bead for ${key}`, filter: { class: "bead" }, take: (m) => maker.changeComponent({ palette: { ...palette, [key]: m.id } }) })}
        />
      ))}
      <Add onClick={() => ask({ title: "A bead for the pin", filter: { class: "bead" }, take: add })}>Add a bead</Add>
      <TextField label="Bead line of the pin" value={line} onChange={(e) => maker.changeComponent({ line: e.target.value })} error={maker.faults.has("line")} slotProps={{ htmlInput: { maxLength: 4096, spellCheck: false, className: "line-text" } }} />
      <Trouble maker={maker} of="line" />
      <Trouble maker={maker} of="palette" />
    </section>
  );
}

function Below({ maker, ask }: Props) {
  const below = maker.component.below ?? [];
  const set = (next: string[]) => maker.changeComponent({ below: next });
  const add = (m: Material) => set([...below, m.id]);
  return (
    <section>
      <h2>Below</h2>
      {below.map((id, i) => (
        <PartRow key={i} maker={maker} id={id} onRemove={() => set(below.filter((_, k) => k !== i))} onChange={() => ask({ title: "Hang another", filter: { shape: "charm" }, take: (m) => set(below.map((b, k) => (k === i ? m.id : b))) })} />
      ))}
      <div>
        <Add onClick={() => ask({ title: "Hang a charm", filter: { shape: "charm" }, take: add })}>Add a charm</Add>
        <Add onClick={() => ask({ title: "Hang a component", filter: { class: "component" }, take: add })}>Add a component</Add>
      </div>
      <Trouble maker={maker} of="below" />
    </section>
  );
}

function Strung({ maker, ask }: Props) {
  const { bead } = maker.component;
  const asked: Asked = { title: "A bead with a loop of its own", filter: { class: "bead", looped: true }, take: (m) => maker.changeComponent({ bead: m.id }) };
  return (
    <section>
      <h2>Strung through</h2>
      {bead ? <PartRow maker={maker} id={bead} onChange={() => ask(asked)} /> : <Add onClick={() => ask(asked)}>Choose the bead</Add>}
      <Trouble maker={maker} of="bead" />
    </section>
  );
}

/** Upper is the charm that carries the others by a loop at its foot, where there is one. */
function Upper({ maker, ask }: Props) {
  const { bead } = maker.component;
  const asked: Asked = { title: "A charm with a loop at its foot", filter: { class: "bead", shape: "charm", looped: true }, take: (m) => maker.changeComponent({ bead: m.id }) };
  return (
    <section>
      <h2>Charm that carries the others</h2>
      {bead ? <PartRow maker={maker} id={bead} onChange={() => ask(asked)} onRemove={() => maker.changeComponent({ bead: undefined })} /> : <Add onClick={() => ask(asked)}>Choose one with a loop at its foot</Add>}
      <Trouble maker={maker} of="bead" />
    </section>
  );
}

function Turn({ maker, ask }: Props) {
  const turn = maker.component.turn ?? [];
  const set = (next: string[]) => maker.changeComponent({ turn: next });
  const filter: Filter = { class: "bead,component" };
  return (
    <section>
      <h2>Taken in turn</h2>
      {turn.map((id, i) => (
        <PartRow key={i} maker={maker} id={id} onRemove={() => set(turn.filter((_, k) => k !== i))} onChange={() => ask({ title: "Another in its place", filter, take: (m) => set(turn.map((t, k) => (k === i ? m.id : t))) })} />
      ))}
      <Add onClick={() => ask({ title: "The next in turn", filter, take: (m) => set([...turn, m.id]) })}>Add the next</Add>
      <FormControlLabel control={<Checkbox size="small" checked={maker.component.back ?? false} onChange={(e) => maker.changeComponent({ back: e.target.checked || undefined })} />} label="In a mirror they come back in reverse" />
      <Trouble maker={maker} of="turn" />
    </section>
  );
}

function Coil({ maker }: Props) {
  return (
    <section>
      <h2>Coil</h2>
      <SizeField label="Rod it is wound on" value={maker.component.rodMm} onChange={(rodMm) => maker.changeComponent({ rodMm })} />
      <p className="quiet">What the beads leave of the pin is wound from its tip, turn beside turn, down to the bead; the tip is pressed inwards.</p>
      <Trouble maker={maker} of="rodMm" />
    </section>
  );
}

function Tassel({ maker, ask }: Props) {
  const c = maker.component;
  const asked: Asked = { title: "Cord of the tassel", filter: { class: "cord" }, take: (m) => maker.changeComponent({ cord: m.id }) };
  return (
    <section>
      <h2>Tassel</h2>
      {c.cord ? <PartRow maker={maker} id={c.cord} onChange={() => ask(asked)} /> : <Add onClick={() => ask(asked)}>Choose the cord</Add>}
      <div className="pair">
        <NumberField label="Strands, folded" value={c.strands} onChange={(strands) => maker.changeComponent({ strands: strands && Math.round(strands) })} />
        <SizeField label="Length" value={c.legMm} onChange={(legMm) => maker.changeComponent({ legMm })} />
      </div>
      {["cord", "strands", "legMm"].map((field) => (
        <Trouble key={field} maker={maker} of={field} />
      ))}
    </section>
  );
}

function Beaded({ maker, ask }: Props) {
  const m = maker.material;
  const parts = maker.component.parts ?? {};
  const set = (next: Record<string, number>) => maker.changeComponent({ parts: next });
  return (
    <section>
      <h2>Measured as one bead</h2>
      <div className="pair">
        <SizeField label="Diameter" value={m.acrossMm} onChange={(acrossMm) => maker.change({ acrossMm })} />
        <SizeField label="Along" value={m.alongMm} onChange={(alongMm) => maker.change({ alongMm })} />
        <SizeField label="Hole" value={m.holeMm} onChange={(holeMm) => maker.change({ holeMm })} />
      </div>
      {maker.faults.size > 0 && <BeadTrouble maker={maker} />}
      <h2>Made of</h2>
      {Object.entries(parts).map(([id, n]) => (
        <PartRow
          key={id}
          maker={maker}
          id={id}
          onRemove={() => set(Object.fromEntries(Object.entries(parts).filter(([key]) => key !== id)))}
          onChange={() => undefined}
          extra={<NumberField label="How many" value={n} onChange={(count) => set({ ...parts, [id]: Math.round(count ?? 0) })} />}
        />
      ))}
      <Add onClick={() => ask({ title: "Woven of", filter: { class: "bead" }, take: (bead) => set({ ...parts, [bead.id]: parts[bead.id] ?? 12 }) })}>Add beads</Add>
      <Trouble maker={maker} of="parts" />
    </section>
  );
}

/** BeadTrouble says what is wrong with the measures of the whole bead. */
function BeadTrouble({ maker }: { maker: Maker }) {
  const says = [...maker.faults].filter(([field]) => ["acrossMm", "alongMm", "holeMm"].includes(field)).map(([, text]) => text);
  return says.length > 0 ? (
    <p role="alert" className="trouble">
      {says.join(" ")}
    </p>
  ) : null;
}
