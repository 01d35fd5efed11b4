import { Button } from "@mui/material";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, unwrap, type Document } from "../api/client.ts";
import type { Drawn } from "../api/drawn.ts";
import { identity } from "../api/identity.ts";
import { opened } from "../api/opened.ts";
import { cloths, layCloth, type Tone } from "../draw/cloth.ts";
import { drawWhole } from "../draw/drawWhole.ts";
import { drawLengthLines, LINES_ROOM } from "../draw/lengthLines.ts";
import { laidFlat, usePicture } from "../pictures/usePicture.ts";
import { Choice } from "../ui/Answers.tsx";
import { saveFile } from "../ui/saveFile.ts";
import { useUnit } from "../ui/UnitContext.tsx";
import { formatLength, type Unit } from "../units/length.ts";
import { fetchFile } from "./papers.ts";
import "./savePicture.css";

/** SIDE is how many px the longer side of a picture has at 1x. */
const SIDE = 800;
/** EDGE is the share of the piece that is left free round it. */
const EDGE = 0.05;

type View = "whole" | "laid" | "row";
type Ground = Tone | "none";
type Times = "1" | "2" | "3" | "4";

interface How {
  view: View;
  ground: Ground;
  times: Times;
  lines: boolean;
}

/** SavePicture saves a picture of a piece: as it hangs or lies, or laid flat; on felt or on nothing; in dots or in lines. */
export function SavePicture({ doc }: { doc: Document }) {
  const { unit } = useUnit();
  const [how, setHow] = useState<How>({ view: "whole", ground: "light", times: "2", lines: false });
  const [says, setSays] = useState<string | null>(null);
  const { data: analysis } = useQuery({
    queryKey: ["cell", identity(doc)],
    queryFn: async ({ signal }) => opened(await unwrap(api.POST("/api/analyse", { params: { query: { brief: true } }, body: doc, signal }))),
    retry: false,
    gcTime: 10_000,
  });
  const drawn = usePicture(analysis, analysis && doc);
  const laid = laidFlat(drawn);
  const shown = how.view === "laid" ? (laid ?? drawn) : drawn;
  const set = (next: Partial<How>) => setHow({ ...how, ...next });

  function savePng() {
    painted(shown!, how, Number(how.times), unit).toBlob((blob) => blob && saveFile(`${doc.name}.png`, blob, "image/png"), "image/png");
  }
  async function saveSvg() {
    try {
      setSays(null);
      const query = new URLSearchParams({ view: how.view, cloth: String(how.ground !== "none"), lines: how.lines ? unit : "" });
      const address = how.view === "row" ? "/api/diagram" : `/api/picture.svg?${query}`;
      const data = await fetchFile(address, { method: "POST", headers: { "Content-Type": "application/json" }, body: JSON.stringify(doc) });
      saveFile(`${doc.name}.svg`, data, "image/svg+xml");
    } catch (err) {
      setSays((err as Error).message);
    }
  }
  return (
    <div className="save-picture">
      <Preview drawn={how.view === "row" ? undefined : shown} how={how} unit={unit} name={doc.name} />
      <div className="how">
        <Choice legend="View" value={how.view} options={[{ value: "whole", label: drawn?.picture.whole?.shape === "hanging" || drawn?.picture.whole?.shape === "hung" ? "Hanging" : "As it lies" }, ...(laid ? [{ value: "laid" as const, label: "Flat" }] : []), { value: "row", label: "First row, true size" }]} onChange={(view) => set({ view })} />
        {how.view !== "row" && (
          <>
            <Choice legend="Background" value={how.ground} options={[{ value: "light", label: "Light" }, { value: "middle", label: "Middle" }, { value: "dark", label: "Dark" }, { value: "none", label: "Transparent" }]} onChange={(ground) => set({ ground })} />
            <Choice legend="Size of a PNG" value={how.times} options={(["1", "2", "3", "4"] as const).map((times) => ({ value: times, label: `${times}x` }))} says={`${SIDE * Number(how.times)} pixels on its longer side`} onChange={(times) => set({ times })} />
            <label className="tick">
              <input type="checkbox" checked={how.lines} onChange={(e) => set({ lines: e.target.checked })} /> with lines that say how wide and high it lies
            </label>
          </>
        )}
        <div className="acts">
          {how.view !== "row" && (
            <Button variant="contained" disabled={!shown} onClick={savePng}>
              Save as PNG
            </Button>
          )}
          <Button variant="outlined" onClick={() => void saveSvg()}>
            Save as SVG
          </Button>
        </div>
        {says && <p role="alert">{says}</p>}
      </div>
    </div>
  );
}

function Preview({ drawn, how, unit, name }: { drawn: Drawn | undefined; how: How; unit: Unit; name: string }) {
  if (!drawn) return <div className="seen" />;
  return (
    <div className={`seen ${how.ground === "none" ? "clear" : ""}`}>
      <img src={painted(drawn, how, 1, unit).toDataURL("image/png")} alt={`The picture of ${name} as it is saved`} />
    </div>
  );
}

/** painted draws the picture, as large as asked and no larger than the piece needs. */
function painted(drawn: Drawn, { ground, lines }: How, times: number, unit: Unit): HTMLCanvasElement {
  const [left = 0, top = 0, right = 1, bottom = 1] = drawn.picture.whole?.box ?? [];
  const [wide, high] = [right - left, bottom - top];
  const room = 2 * (lines ? LINES_ROOM : EDGE) * Math.max(wide, high);
  const px = (SIDE * times) / (Math.max(wide, high) + room);
  const canvas = document.createElement("canvas");
  canvas.width = Math.round((wide + room) * px);
  canvas.height = Math.round((high + room) * px);
  const ctx = canvas.getContext("2d")!;
  const tone: Tone = ground === "none" ? "light" : ground;
  if (ground !== "none") layCloth(ctx, tone, canvas.width, canvas.height);
  drawWhole(ctx, { drawn, bare: ground === "none", tone, width: canvas.width, height: canvas.height, mostPx: px, exactly: true });
  if (lines) {
    ctx.translate(canvas.width / 2, canvas.height / 2);
    drawLengthLines(ctx, { box: [left, top, right, bottom], px, colour: cloths[tone].text, text: (mm) => formatLength(mm, unit) });
  }
  return canvas;
}
