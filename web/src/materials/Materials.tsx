import { Button, InputBase, Snackbar } from "@mui/material";
import { useQueryClient } from "@tanstack/react-query";
import { useDeferredValue, useEffect, useState } from "react";
import { Link, useLocation, useNavigate } from "react-router";
import type { CatalogueItem, Material } from "../api/client.ts";
import { sizedBy, sizeOf } from "../shop/size.ts";
import { Cover } from "../photos/Cover.tsx";
import { useCovers } from "../photos/photos.ts";
import { BeadPicture } from "../pictures/BeadPicture.tsx";
import { restoreMaterial, useMaterials, type Filter } from "../shop/catalogue.ts";
import { CsvDialog } from "./CsvDialog.tsx";
import { Editor } from "./Editor.tsx";
import { Filters } from "./Filters.tsx";
import { Length } from "../ui/UnitContext.tsx";
import { idFor } from "../shop/fields.ts";

const PAGE = 100;
/** COUNTED is how far materials are counted. */
const COUNTED = 10_000;

/** FRESH is a new material before anything is entered. */
const FRESH: CatalogueItem = {
  material: { id: "", class: "bead", name: "", shape: "round", acrossMm: 6, holeMm: 1, look: { colour: "#3d7f8c", finish: "glass" } },
  onHand: 0, archived: false, revision: 0,
};

/** Asked is what another view opens the catalogue for: a new material of a name, to come back with, or what was deleted. */
interface Asked {
  fresh?: string;
  back?: string;
  deleted?: CatalogueItem;
}

/** Materials is the shop's catalogue, with the source of every size. */
export function Materials() {
  const [typed, setTyped] = useState("");
  const search = useDeferredValue(typed);
  const [filter, setFilter] = useState<Filter>({});
  const [many, setMany] = useState(PAGE);
  const asked = useLocation().state as Asked | null;
  const [open, setOpen] = useState<CatalogueItem | null>(asked?.fresh === undefined ? null : { ...FRESH, material: { ...FRESH.material, name: asked.fresh } });
  const [importing, setImporting] = useState(false);
  const [deleted, setDeleted] = useState<CatalogueItem | null>(asked?.deleted ?? null);
  const navigate = useNavigate();
  const queries = useQueryClient();
  const found = useMaterials({ ...filter, search, limit: Math.min(many, 500) });
  const items = found.data?.items ?? [];
  const total = found.data?.total ?? 0;
  const covers = useCovers("material", items.map((item) => item.material.id));

  useEffect(() => {
    document.title = "Materials · Mala";
  }, []);

  async function undelete() {
    await restoreMaterial(deleted!);
    setDeleted(null);
    await queries.invalidateQueries({ queryKey: ["materials"] });
  }

  return (
    <main className="view">
      <header className="head">
        <div className="title">
          <h1 style={{ fontSize: "1.55rem" }}>Materials</h1>
          <div className="sub">
            {total === COUNTED ? "10,000 or more" : total} {total === 1 ? "material" : "materials"}
          </div>
        </div>
        <InputBase
          value={typed}
          onChange={(e) => setTyped(e.target.value)}
          placeholder="pearl, brass, seed, 6 mm …"
          type="search"
          inputProps={{ "aria-label": "Search materials", maxLength: 200 }}
          sx={{ border: "1px solid", borderColor: "divider", borderRadius: 2, px: 1.5, width: 240, bgcolor: "background.paper" }}
        />
        <Button variant="outlined" href="/api/catalogue.csv">
          Export CSV
        </Button>
        <Button variant="outlined" onClick={() => setImporting(true)}>
          Import CSV
        </Button>
        <Button variant="outlined" component={Link} to="/materials/component/new">
          New component
        </Button>
        <Button variant="contained" onClick={() => setOpen(FRESH)}>
          New material
        </Button>
      </header>
      <div className="materials">
        <Filters filter={filter} onFilter={setFilter} metals={found.data?.metals ?? []} />
        <div className="table">
          {found.isError && <p role="alert">{found.error.message}</p>}
          <table className="list">
            <thead>
              <tr>
                <th scope="col">
                  <span className="hidden">Picture</span>
                </th>
                <th scope="col">Name</th>
                <th scope="col">Size</th>
                <th scope="col">Hole</th>
                <th scope="col">Measured by</th>
                <th scope="col">Metal</th>
                <th scope="col" className="n">
                  In stock
                </th>
              </tr>
            </thead>
            <tbody>
              {items.map((item) => (
                <Row key={item.material.id} item={item} cover={covers[item.material.id]} onOpen={() => (item.material.component ? void navigate(`/materials/component/${item.material.id}`) : setOpen(item))} />
              ))}
            </tbody>
          </table>
          {found.isSuccess && items.length === 0 && <p className="quiet">No material matches. Clear a filter, or add a new material.</p>}
          {items.length < total && many < 500 && (
            <Button onClick={() => setMany(many + PAGE)} sx={{ mt: 1.5 }}>
              Show more ({total - items.length} more)
            </Button>
          )}
          {items.length >= 500 && <p className="quiet">The first 500 are shown. Search or filter to find the others.</p>}
        </div>
      </div>
      {open && (
        <Editor
          key={`${open.material.id} ${open.revision}`}
          item={open}
          onClose={() => (asked?.back ? void navigate(asked.back) : setOpen(null))}
          onSaved={(material) => (asked?.back ? void navigate(asked.back, { state: { made: material.id } }) : setOpen(null))}
          onDeleted={(item) => {
            setOpen(null);
            setDeleted(item);
          }}
          onDuplicate={(item) => setOpen({ ...item, revision: 0, archived: false, onHand: 0, material: { ...item.material, name: `${item.material.name}, copy`, id: idFor(`${item.material.id}-copy`) } })}
        />
      )}
      <Snackbar
        open={deleted !== null}
        autoHideDuration={12_000}
        onClose={(_, why) => why !== "clickaway" && setDeleted(null)}
        message={`${deleted?.material.name ?? ""} is deleted.`}
        action={
          <Button size="small" onClick={() => void undelete()} sx={{ color: "#ffcf7d" }}>
            Undo
          </Button>
        }
      />
      {importing && <CsvDialog onClose={() => setImporting(false)} />}
    </main>
  );
}

function Row({ item, cover, onOpen }: { item: CatalogueItem; cover: string | undefined; onOpen: () => void }) {
  const m = item.material;
  return (
    <tr className={item.archived ? "archived" : undefined}>
      <td style={{ width: 44 }}>
        <span className="pictured">
          {item.outline && <BeadPicture material={m} outline={item.outline} size={34} px={3} />}
          <Cover photo={cover} name={m.name} />
        </span>
      </td>
      <th scope="row">
        <button type="button" className="link" onClick={onOpen}>
          {m.name}
        </button>
        <span className="size">
          {" "}
          {sort(m)}
          {item.archived && " · archived"}
        </span>
      </th>
      <td>{sizeOf(m, item.outline)}</td>
      <td>{m.holeMm ? `${m.holeMm} mm` : ""}</td>
      <td>{m.class === "bead" ? sizedBy(m) : ""}</td>
      <td>{m.metal}</td>
      <td className="n">{m.class === "cord" ? item.onHand > 0 && <Length mm={item.onHand} /> : m.component && item.onHand === 0 ? "" : item.onHand}</td>
    </tr>
  );
}

/** sort returns the material's shape or type; nothing if its name contains it. */
function sort(m: Material): string {
  const word = (m.class === "bead" ? m.shape : m.class === "component" ? "component" : m.type) ?? "";
  return m.name.toLowerCase().includes(word.replace("-", " ").split(" ")[0]) ? "" : word;
}
