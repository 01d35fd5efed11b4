import { Button, InputBase } from "@mui/material";
import { keepPreviousData, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useDeferredValue, useEffect, useState } from "react";
import { Link, useNavigate } from "react-router";
import { FileButton } from "../ui/FileButton.tsx";
import { api, unwrap, type Kit, type KitCard } from "../api/client.ts";
import { Cover } from "../photos/Cover.tsx";
import { useCovers } from "../photos/photos.ts";
import { PiecePictures } from "../pictures/PiecePictures.tsx";
import "./kits.css";

const MOST = 200;

/** KitsRoom shows what the shop sells, as a shop window. */
export function KitsRoom() {
  const navigate = useNavigate();
  const queries = useQueryClient();
  const [search, setSearch] = useState("");
  const looked = useDeferredValue(search);
  const [says, setSays] = useState<string | null>(null);
  const [deleted, setDeleted] = useState<KitCard | null>(null);
  const found = useQuery({
    queryKey: ["kits", looked],
    queryFn: ({ signal }) => unwrap(api.GET("/api/kits", { params: { query: { search: looked, limit: MOST } }, signal })),
    placeholderData: keepPreviousData,
    refetchOnMount: "always",
  });
  const covers = useCovers("kit", found.data?.kits.map((kit) => kit.id) ?? []);
  const refresh = () => queries.invalidateQueries({ queryKey: ["kits"] });
  const remove = useMutation({
    mutationFn: (kit: KitCard) => unwrap(api.DELETE("/api/kits/{id}", { params: { path: { id: kit.id } } })),
    onSuccess: (_, kit) => {
      setDeleted(kit);
      void refresh();
    },
    onError: (err) => setSays(err.message),
  });
  const undelete = useMutation({
    mutationFn: (id: string) => unwrap(api.POST("/api/kits/{id}/undelete", { params: { path: { id } } })),
    onSuccess: () => {
      setDeleted(null);
      void refresh();
    },
    onError: (err) => setSays(err.message),
  });
  useEffect(() => {
    document.title = "Kits · Mala";
  }, []);

  async function open(kit: Kit) {
    try {
      const made = await unwrap(api.POST("/api/kits", { body: kit }));
      void navigate(`/kits/${made.id}`);
    } catch (err) {
      setSays((err as Error).message);
    }
  }
  async function read(chosen: File | undefined) {
    if (!chosen) return;
    try {
      await open(JSON.parse(await chosen.text()) as Kit);
    } catch {
      setSays(`${chosen.name} is not a kit file: it is not valid JSON.`);
    }
  }

  return (
    <main className="view">
      <header className="head">
        <div className="title">
          <h1 style={{ fontSize: "1.55rem" }}>Kits</h1>
        </div>
        <InputBase value={search} onChange={(e) => setSearch(e.target.value)} placeholder="Search" inputProps={{ "aria-label": "Search kits", maxLength: 200 }} sx={{ border: "1px solid", borderColor: "divider", borderRadius: 2, px: 1.5, width: 220, bgcolor: "background.paper" }} />
        <Link to="/kits/selling" className="link">
          Packing and prices
        </Link>
        <FileButton label="Import kit file" testId="kit-file" onFile={(chosen) => void read(chosen)} />
        <Button variant="contained" onClick={() => void open({ format: "mala-kit/1", name: "New kit", pieces: [] })}>
          New kit
        </Button>
      </header>
      <div className="window">
        {(says ?? found.error) && <p role="alert">{says ?? found.error?.message}</p>}
        {deleted && (
          <p role="status">
            {deleted.name} is deleted.{" "}
            <button type="button" className="link" onClick={() => undelete.mutate(deleted.id)}>
              Undo
            </button>
          </p>
        )}
        {found.data?.total === 0 && <p className="quiet">{looked ? `No kit matches “${looked}”.` : "A kit is one or more pieces with all that is needed to make them, packed to be sold. Start with New kit, or with Add to a kit at the end of a piece."}</p>}
        <ul className="shelf" aria-label="Kits">
          {found.data?.kits.map((kit) => (
            <li key={kit.id} className="kit-card">
              <PiecePictures documents={kit.documents} />
              <Cover photo={covers[kit.id]} name={kit.name} />
              <Link to={`/kits/${kit.id}`}>
                <h2>{kit.name}</h2>
              </Link>
              <p className="quiet">
                {aboutKit(kit)}
              </p>
              <button type="button" className="link" onClick={() => remove.mutate(kit)} aria-label={`Delete ${kit.name}`}>
                Delete
              </button>
            </li>
          ))}
        </ul>
        {found.data && found.data.total > MOST && <p className="quiet">The first {MOST} are shown. Search to find the others.</p>}
      </div>
    </main>
  );
}

function aboutKit(kit: KitCard): string {
  const pieces = kit.pieces.length === 0 ? "nothing in it yet" : kit.pieces.length === 1 ? (kit.pieces[0] === kit.name ? "" : kit.pieces[0]) : kit.choice ? `one of ${kit.pieces.join(", ")}` : kit.pieces.join(", ");
  const many = (n: number, what: string) => (n > 1 ? `${n} ${what}` : "");
  return [pieces, many(kit.sizes, "sizes"), many(kit.colourways, "colourways")].filter(Boolean).join(" · ");
}
