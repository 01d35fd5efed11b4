import { Button, InputBase, ToggleButton, ToggleButtonGroup } from "@mui/material";
import { useQueryClient } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { Link, useLocation, useNavigate, useParams } from "react-router";
import type { View } from "../draw/paint/component.ts";
import { deleteMaterial } from "../shop/catalogue.ts";
import "./maker.css";
import { MakerFacts } from "./MakerFacts.tsx";
import { MakerForm } from "./MakerForm.tsx";
import { MakerPicture } from "./MakerPicture.tsx";
import { useMaker, useOpened } from "./useMaker.ts";

const VIEWS: { view: View; name: string }[] = [
  { view: "front", name: "Front" },
  { view: "side", name: "Side" },
  { view: "flat", name: "Laid flat" },
];

/** Maker builds a component from the catalogue's materials and shows what it comes to. */
export function Maker() {
  const { id = "new" } = useParams();
  const opened = useOpened(id);
  if (opened === undefined) return <main className="view" aria-busy />;
  if (opened === null) {
    return (
      <main className="pieces">
        <h1>No such component</h1>
        <p>
          It may have been renamed. <Link to="/materials">Look in Materials</Link>.
        </p>
      </main>
    );
  }
  return <MakerBench key={id} opened={opened} fresh={id === "new"} />;
}

function MakerBench({ opened, fresh }: { opened: Parameters<typeof useMaker>[0]; fresh: boolean }) {
  const maker = useMaker(opened);
  const [view, setView] = useState<View>("front");
  const [says, setSays] = useState<{ wrong: boolean; text: string } | null>(null);
  const navigate = useNavigate();
  const queries = useQueryClient();
  const back = (useLocation().state as { back?: string } | null)?.back ?? "/materials";
  const { material, item } = maker;
  useEffect(() => {
    document.title = `${material.name || "New component"} · Mala`;
  }, [material.name]);

  async function save(archived?: boolean) {
    const wrong = await maker.save(archived);
    setSays(wrong ? { wrong: true, text: wrong } : { wrong: false, text: archived ? "Archived" : "Saved" });
    if (!wrong && fresh) void navigate(back);
  }

  async function remove() {
    try {
      await deleteMaterial(item);
      await queries.invalidateQueries({ queryKey: ["materials"] });
      void navigate("/materials", { state: { deleted: item } });
    } catch (err) {
      setSays({ wrong: true, text: (err as Error).message });
    }
  }

  return (
    <main
      className="view maker"
      onKeyDown={(e) => {
        if (e.key !== "s" || !(e.ctrlKey || e.metaKey)) return;
        e.preventDefault();
        void save();
      }}
    >
      <header className="head">
        <div className="title">
          <h1 className="hidden">{material.name || "New component"}</h1>
          <InputBase
            value={material.name}
            onChange={(e) => maker.change({ name: e.target.value })}
            placeholder="Name of the component"
            autoFocus={fresh}
            inputProps={{ "aria-label": "Name", maxLength: 120 }}
            className="name-field"
          />
          <div className="sub">
            component, {maker.facts?.hangs === false ? "strung through" : "hangs"}
            {item.archived && " · archived"} · {maker.changed ? "not saved" : "saved"}
          </div>
        </div>
        <ToggleButtonGroup exclusive size="small" value={view} onChange={(_, next: View | null) => next && setView(next)} aria-label="View">
          {VIEWS.map(({ view: one, name }) => (
            <ToggleButton key={one} value={one}>
              {name}
            </ToggleButton>
          ))}
        </ToggleButtonGroup>
        {says && (
          <span role={says.wrong ? "alert" : "status"} className={says.wrong ? "says wrong" : "says"}>
            {says.text}
          </span>
        )}
        {item.revision > 0 && <Button onClick={() => void remove()}>Delete</Button>}
        {item.revision > 0 && <Button onClick={() => void save(!item.archived)}>{item.archived ? "Restore" : "Archive"}</Button>}
        <Button
          onClick={() => {
            maker.giveUp();
            void navigate(back);
          }}
        >
          {maker.changed ? "Cancel" : "Close"}
        </Button>
        <Button variant="contained" onClick={() => void save()} disabled={!maker.changed}>
          Save
        </Button>
      </header>
      <MakerForm maker={maker} />
      <div className="felt-place">{maker.facts ? <MakerPicture material={material} facts={maker.facts} view={view} /> : <p className="empty">Add its parts on the left: the picture and the figures follow.</p>}</div>
      <MakerFacts maker={maker} />
    </main>
  );
}
