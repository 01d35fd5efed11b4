import { Button, Dialog, DialogActions, DialogContent, Menu, MenuItem } from "@mui/material";
import { useRef, useState, type ClipboardEvent, type DragEvent } from "react";
import type { Photo } from "../api/client.ts";
import { photoAt, usePhotos, type Pictured } from "./photos.ts";
import "./photos.css";

interface Props {
  of: Pictured;
  id: string;
  /** What the thing is called that they show. */
  name: string;
}

const MAX_PHOTOS = 24;

/** Photos shows the photographs of a thing and takes new ones: chosen, dropped, pasted, or from the camera. */
export function Photos({ of, id, name }: Props) {
  const { photos, says: failed, add, order, remove, restore } = usePhotos(of, id);
  const [says, setSays] = useState<string | null>(null);
  const [sending, setSending] = useState(0);
  const [over, setOver] = useState(false);
  const [gone, setGone] = useState<Photo | null>(null);
  const [shown, setShown] = useState<number | null>(null);
  const [menu, setMenu] = useState<{ photo: Photo; at: HTMLElement } | null>(null);

  async function attempt(what: () => Promise<void>) {
    setSays(null);
    try {
      await what();
    } catch (err) {
      setSays(err instanceof Error ? err.message : String(err));
    }
  }
  /** One after another, so that they stay in the order they were chosen in. */
  async function send(files: Iterable<File>) {
    const all = [...files];
    setGone(null);
    for (const [i, file] of all.entries()) {
      setSending(all.length - i);
      await attempt(() => add(file));
    }
    setSending(0);
  }
  const dropped = (e: DragEvent) => {
    setOver(false);
    if (e.dataTransfer.files.length === 0) return;
    e.preventDefault();
    void send(e.dataTransfer.files);
  };
  const pasted = (e: ClipboardEvent) => {
    if (e.clipboardData.files.length === 0) return;
    e.preventDefault();
    void send(e.clipboardData.files);
  };
  const move = (photo: Photo, to: number) => {
    const ids = photos.map((p) => p.id).filter((one) => one !== photo.id);
    ids.splice(to, 0, photo.id);
    void attempt(() => order(ids));
  };
  const leave = (photo: Photo) => void attempt(async () => (await remove(photo), setGone(photo)));
  const bring = () => gone && void attempt(async () => (await restore(gone), setGone(null)));
  const at = menu ? photos.findIndex((p) => p.id === menu.photo.id) : -1;
  const act = (what: () => void) => () => (setMenu(null), what());

  return (
    <section
      aria-label={`Photographs of ${name}`}
      className={`photos ${over ? "over" : ""}`}
      tabIndex={-1}
      onDragOver={(e) => e.dataTransfer.types.includes("Files") && (e.preventDefault(), setOver(true))}
      onDragLeave={() => setOver(false)}
      onDrop={dropped}
      onPaste={pasted}
    >
      <h2>Photographs</h2>
      <ul>
        {photos.map((photo, i) => (
          <li key={photo.id}>
            <button type="button" className="plain" onClick={() => setShown(i)} aria-label={`Photograph ${i + 1} of ${name}${i === 0 && photos.length > 1 ? ", the cover" : ""}: show it large`}>
              <img src={photoAt(photo.id, "small")} alt="" loading="lazy" />
              {i === 0 && photos.length > 1 && <span className="is-cover">cover</span>}
            </button>
            <button type="button" className="more" aria-haspopup="menu" aria-label={`Photograph ${i + 1}: move or remove`} onClick={(e) => setMenu({ photo, at: e.currentTarget })}>
              ⋯
            </button>
          </li>
        ))}
      </ul>
      {photos.length < MAX_PHOTOS && <AddPhotos quiet={photos.length > 0} busy={sending > 0} onFiles={(files) => void send(files)} />}
      <p role="status" className="quiet">
        {sending > 0 ? (sending === 1 ? "Saving the picture …" : `Saving; ${sending} pictures to go …`) : gone && "Photograph removed. "}
        {gone && sending === 0 && (
          <button type="button" className="link" onClick={bring}>
            Undo
          </button>
        )}
      </p>
      {(says ?? failed) && (
        <p role="alert" className="wrong">
          {says ?? failed}
        </p>
      )}
      <Menu open={at >= 0} anchorEl={menu?.at} onClose={() => setMenu(null)}>
        {at > 0 && <MenuItem onClick={act(() => move(photos[at]!, 0))}>Make it the cover</MenuItem>}
        {at > 0 && <MenuItem onClick={act(() => move(photos[at]!, at - 1))}>Move left</MenuItem>}
        {at >= 0 && at < photos.length - 1 && <MenuItem onClick={act(() => move(photos[at]!, at + 1))}>Move right</MenuItem>}
        <MenuItem onClick={act(() => leave(photos[at]!))}>Remove</MenuItem>
      </Menu>
      {shown !== null && photos[shown] && <Large photos={photos} at={shown} name={name} onGo={setShown} />}
    </section>
  );
}

function AddPhotos({ quiet, busy, onFiles }: { quiet: boolean; busy: boolean; onFiles: (files: File[]) => void }) {
  const files = useRef<HTMLInputElement>(null);
  const camera = useRef<HTMLInputElement>(null);
  const taken = (input: HTMLInputElement) => {
    onFiles([...(input.files ?? [])]);
    input.value = "";
  };
  return (
    <div className="add">
      <Button variant="outlined" disabled={busy} onClick={() => files.current?.click()}>
        Add photographs
      </Button>
      <Button className="with-camera" disabled={busy} onClick={() => camera.current?.click()}>
        Take one
      </Button>
      {!quiet && <span className="quiet">or drop or paste them here</span>}
      <input ref={files} type="file" accept="image/*" multiple hidden data-testid="photo-files" onChange={(e) => taken(e.target)} />
      <input ref={camera} type="file" accept="image/*" capture="environment" hidden onChange={(e) => taken(e.target)} />
    </div>
  );
}

/** Large shows one photograph as large as the window lets it; the arrows go on to the next. */
function Large({ photos, at, name, onGo }: { photos: Photo[]; at: number; name: string; onGo: (at: number | null) => void }) {
  const photo = photos[at]!;
  const go = (by: number) => onGo(Math.max(0, Math.min(photos.length - 1, at + by)));
  return (
    <Dialog open maxWidth="lg" onClose={() => onGo(null)} aria-label={`Photograph of ${name}`} onKeyDown={(e) => e.key === "ArrowLeft" ? go(-1) : e.key === "ArrowRight" && go(1)}>
      <DialogContent className="photo-large">
        <img src={photoAt(photo.id, "large")} width={photo.width} height={photo.height} alt={`Photograph ${at + 1} of ${name}`} />
      </DialogContent>
      <DialogActions>
        {photos.length > 1 && (
          <>
            <Button disabled={at === 0} onClick={() => go(-1)}>
              Previous
            </Button>
            <span className="quiet">
              {at + 1} of {photos.length}
            </span>
            <Button disabled={at === photos.length - 1} onClick={() => go(1)}>
              Next
            </Button>
          </>
        )}
        <Button variant="contained" autoFocus onClick={() => onGo(null)}>
          Close
        </Button>
      </DialogActions>
    </Dialog>
  );
}
