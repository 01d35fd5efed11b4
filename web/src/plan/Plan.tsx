import { Button, Dialog, DialogActions, DialogContent, DialogTitle, InputBase } from "@mui/material";
import { useEffect, useRef, useState, type FormEvent } from "react";
import { useSearchParams } from "react-router";
import { api, unwrap, type VersionNote } from "../api/client.ts";
import { useBenchContext } from "../piece/context.ts";
import planCss from "./plan.css?inline";
import { fitPage } from "./fitPage.ts";
import { saveAs, standalone } from "../sheets/keep.ts";
import { fetchFile, keptSheet } from "../sheets/papers.ts";
import { saveFile } from "../ui/saveFile.ts";
import { Choice } from "../ui/Answers.tsx";
import { photoData, useCovers } from "../photos/photos.ts";
import { SavePicture } from "../sheets/SavePicture.tsx";
import { useUnit } from "../ui/UnitContext.tsx";
import { IntoKit } from "./IntoKit.tsx";
import { PlanSheet } from "./PlanSheet.tsx";
import { useWhole } from "../piece/useWhole.ts";

/** Plan is the kit sheet of the piece: the page that goes to the bench, with its papers, and the way into a kit. */
export function Plan() {
  const { id, bench, state } = useBenchContext();
  const { unit } = useUnit();
  const whole = useWhole(state);
  const [params] = useSearchParams();
  const sheet = useRef<HTMLDivElement>(null);
  const [version, setVersion] = useState<VersionNote | null>(null);
  const [label, setLabel] = useState("");
  const [picturing, setPicturing] = useState(params.has("picture"));
  const [says, setSays] = useState<string | null>(null);
  const [stamped, setStamped] = useState(state.doc);
  // A stamp belongs to the document it was given for.
  const stamp = version && stamped === whole?.doc ? version : null;

  useEffect(() => {
    if (sheet.current) fitPage(sheet.current);
  });

  async function stampAs(reason: "printed" | "exported" | "named", label = ""): Promise<VersionNote | null> {
    setSays(null);
    if (!(await bench.flush())) {
      setSays("The piece is not saved yet. Try again when it is.");
      return null;
    }
    try {
      const made = await unwrap(api.POST("/api/pieces/{id}/versions", { params: { path: { id } }, body: { reason, label } }));
      setVersion(made);
      setStamped(bench.snapshot().doc);
      return made;
    } catch (err) {
      setSays((err as Error).message);
      return null;
    }
  }

  async function print() {
    if (await stampAs("printed")) onceShown(() => window.print());
  }
  async function saveHtml() {
    const made = await stampAs("printed");
    if (made) onceShown(() => saveAs(`${state.doc.name}, version ${made.number}.html`, standalone(state.doc.name, sheet.current!, planCss)));
  }
  async function nameVersion(event: FormEvent) {
    event.preventDefault();
    if (await stampAs("named", label.trim())) setLabel("");
  }
  async function exportFile() {
    const made = await stampAs("exported");
    if (!made) return;
    const link = document.createElement("a");
    link.href = `/api/pieces/${id}/versions/${made.number}/file`;
    link.download = "";
    link.click();
  }

  async function savePaper(paper: "instructions" | "materials" | "shop-card", title: string) {
    const made = await stampAs("printed");
    if (!made) return;
    try {
      const data = await fetchFile(`/api/pieces/${id}/versions/${made.number}/papers/${paper}?${new URLSearchParams({ sheet: keptSheet(), unit })}`, {});
      saveFile(`${state.doc.name}, ${title}.pdf`, data, "application/pdf");
    } catch (err) {
      setSays((err as Error).message);
    }
  }

  const cover = useCovers("piece", [id])[id];
  const [photo, setPhoto] = useState<string | null>(null);
  async function pictureBy(what: "drawing" | "photograph") {
    setSays(null);
    try {
      setPhoto(what === "photograph" && cover ? await photoData(cover) : null);
    } catch (err) {
      setSays((err as Error).message);
    }
  }

  return (
    <div className="plan-room">
      <div className="plan-tools">
        <IntoKit id={id} name={state.doc.name} ready={() => bench.flush()} onSays={setSays} />
        <Button variant="outlined" onClick={() => void savePaper("instructions", "instructions")}>
          Instructions (PDF)
        </Button>
        <Button variant="outlined" onClick={() => void savePaper("materials", "materials")}>
          Materials (PDF)
        </Button>
        <Button variant="outlined" onClick={() => void savePaper("shop-card", "shop card")}>
          Shop card (PDF)
        </Button>
        <Button variant="outlined" onClick={() => setPicturing(true)}>
          Save picture
        </Button>
        <Button variant="outlined" onClick={() => void print()}>
          Print
        </Button>
        <Button variant="outlined" onClick={() => void saveHtml()}>
          Save as a page (HTML)
        </Button>
        <Button variant="outlined" onClick={() => void exportFile()}>
          Export piece file
        </Button>
        {cover && (
          <Choice
            legend="Picture"
            value={photo ? "photograph" : "drawing"}
            options={[
              { value: "drawing", label: "Drawing" },
              { value: "photograph", label: "Photograph" },
            ]}
            onChange={(what) => void pictureBy(what)}
          />
        )}
        <form className="name-version" onSubmit={(e) => void nameVersion(e)}>
          <InputBase value={label} onChange={(e) => setLabel(e.target.value)} placeholder="Name this version" inputProps={{ "aria-label": "Name of this version", maxLength: 120 }} />
          <Button type="submit" disabled={!label.trim()}>
            Save version
          </Button>
        </form>
        <span className="quiet" role={says ? "alert" : undefined}>{says ?? "Each of these saves a version that never changes and prints its number on the page."}</span>
      </div>
      <Dialog open={picturing} onClose={() => setPicturing(false)} maxWidth="md" fullWidth aria-labelledby="picture-title">
        <DialogTitle id="picture-title">Save a picture of {state.doc.name}</DialogTitle>
        <DialogContent>{picturing && whole && <SavePicture doc={whole.doc} />}</DialogContent>
        <DialogActions>
          <Button onClick={() => setPicturing(false)}>Close</Button>
        </DialogActions>
      </Dialog>
      {whole && !state.behind ? (
        <PlanSheet ref={sheet} doc={whole.doc} analysis={whole.analysis} version={stamp} photo={cover ? photo : null} />
      ) : (
        <p className="quiet" style={{ padding: 24 }}>
          {state.behind ? "The plan is drawn as soon as the bead line has no errors." : "Drawing the plan…"}
        </p>
      )}
    </div>
  );
}

/** onceShown waits until the stamp is on the sheet: it is there after the next frame. */
function onceShown(then: () => void) {
  requestAnimationFrame(() => setTimeout(then, 0));
}
