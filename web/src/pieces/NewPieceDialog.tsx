import { Button, Dialog, DialogActions, DialogContent, DialogTitle, TextField } from "@mui/material";
import { useState, type FormEvent } from "react";
import { useNavigate } from "react-router";
import { api, unwrap, type Material, type NewPiece } from "../api/client.ts";
import { useHouse } from "../shop/useHouse.ts";
import { formatLength } from "../units/length.ts";
import { useUnit } from "../ui/UnitContext.tsx";
import { Choice, CLOSURES, HANGS, JOINS, KINDS, lengthQuestion, usualLength } from "../ui/Answers.tsx";
import { LengthField } from "../ui/LengthField.tsx";
import { Length } from "../ui/UnitContext.tsx";
import { BeadPicture } from "../pictures/BeadPicture.tsx";
import { CataloguePicker } from "../shop/CataloguePicker.tsx";
import { useHeld } from "../shop/catalogue.ts";
import { PATTERNS, TEMPLATES, type Pattern, type Template } from "./templates.ts";
import { StartPreview } from "./StartPreview.tsx";
import { lengthIn, type Answers } from "./start.ts";
import { Templates } from "./Templates.tsx";

const MOST_ROWS = 20;

type Part = NonNullable<NewPiece["body"]>["part"];

/** WORN says on what part of the body each kind is worn. */
const WORN: Partial<Record<NewPiece["kind"], Part>> = { necklace: "neck", bracelet: "wrist", anklet: "ankle" };

const LENGTH_OR_WEARER = [
  { value: "length" as const, label: "To a length" },
  { value: "wearer" as const, label: "For a wearer" },
];

/** NewPieceDialog asks what a person knows, and opens the new piece. */
export function NewPieceDialog({ open, onClose }: { open: boolean; onClose: () => void }) {
  const navigate = useNavigate();
  const { unit } = useUnit();
  const house = useHouse().data?.whole;
  const counts = house?.targetCounts;
  const [kind, setKind] = useState<NewPiece["kind"]>("necklace");
  const [closure, setClosure] = useState<NewPiece["closure"]>("clasp");
  const [rows, setRows] = useState("1");
  const [pattern, setPattern] = useState<Pattern>("plain");
  const [join, setJoin] = useState<NonNullable<NewPiece["join"]>>("ring");
  const [length, setLength] = useState<string | null>(null);
  const [by, setBy] = useState<"length" | "wearer">("length");
  const [wearer, setWearer] = useState<{ measureMm?: number; for?: string; child?: boolean }>({});
  const [bead, setBead] = useState<Material | null>(null);
  const [choosing, setChoosing] = useState(false);
  const [name, setName] = useState("");
  const [says, setSays] = useState<string | null>(null);
  const hangs = kind === "ornament";
  const part = WORN[kind];
  const worn = by === "wearer" && part !== undefined;
  const outline = useHeld(bead ? [bead.id] : []).get(bead?.id ?? "")?.outline;
  const clasped = closure === "clasp" && !hangs;
  const asked = Number(rows);
  const count = clasped && Number.isInteger(asked) && asked >= 1 && asked <= MOST_ROWS ? asked : 1;
  const rowsSay = clasped && asked !== count ? `A piece has 1 to ${MOST_ROWS} rows.` : null;
  const shown = length ?? formatLength(usualLength(kind, unit), unit);

  const asText = worn ? "" : shown.trim();
  const answers: Answers = {
    kind,
    closure: hangs ? "hung" : closure,
    ...(hangs || pattern === "plain" ? {} : { pattern }),
    ...(clasped && count > 1 ? { rows: count, join } : {}),
    ...(worn && wearer.measureMm ? { body: { part, ...wearer } } : {}),
    ...(bead ? { bead: bead.id } : {}),
  };

  const chosen = TEMPLATES.find((t) => t.kind === kind && t.closure === closure && t.pattern === pattern && t.rows === count);
  function choose(template: Template) {
    setKind(template.kind);
    setClosure(template.closure);
    setPattern(template.pattern);
    setRows(String(template.rows));
    setSays(null);
  }
  function opened(id: string) {
    onClose();
    void navigate(`/pieces/${id}`);
  }

  async function start(event: FormEvent) {
    event.preventDefault();
    if (rowsSay) return;
    try {
      if (worn && !wearer.measureMm) return setSays(`Choose a size, or give the measure of the ${part}.`);
      const made = await unwrap(api.POST("/api/pieces/new", { body: { ...answers, name: name.trim() || `New ${kind}`, targetMm: await lengthIn(asText, unit) } }));
      opened(made.id);
    } catch (err) {
      setSays((err as Error).message);
    }
  }

  return (
    <Dialog open={open} onClose={onClose} maxWidth="md" fullWidth aria-labelledby="new-title">
      <form onSubmit={(e) => void start(e)} noValidate className="new-piece">
        <DialogTitle id="new-title" component="h1" variant="h1">
          New piece
        </DialogTitle>
        <DialogContent>
          <div className="answers">
            <Templates chosen={chosen} onChoose={choose} onOpen={opened} onFail={setSays} />
            <div className="answer-columns">
              <div className="answers">
                <Choice legend="What is it?" value={kind} options={KINDS} onChange={setKind} />
                {hangs ? <p className="quiet">{HANGS}</p> : <Choice legend="How does it close?" value={closure} options={CLOSURES} onChange={setClosure} says={CLOSURES.find((c) => c.value === closure)?.says} />}
                {clasped && (
                  <TextField label="How many rows?" type="number" size="small" value={rows} onChange={(e) => setRows(e.target.value)} error={rowsSay !== null} helperText={rowsSay} slotProps={{ htmlInput: { min: 1, max: MOST_ROWS }, formHelperText: { role: rowsSay ? "alert" : undefined } }} sx={{ maxWidth: 220 }} />
                )}
                {clasped && count > 1 && <Choice legend="What do the rows go on?" value={join} options={JOINS} onChange={setJoin} says={JOINS.find((j) => j.value === join)?.says} />}
                <fieldset>
                  <legend>First bead</legend>
                  <button type="button" className="first-bead" onClick={() => setChoosing(true)}>
                    {bead && outline && <BeadPicture material={bead} outline={outline} size={34} />}
                    {bead ? bead.name : "The one that goes best"} <span className="link">Choose …</span>
                  </button>
                </fieldset>
                {!hangs && <Choice legend="How do the beads follow?" value={pattern} options={PATTERNS} onChange={setPattern} says={PATTERNS.find((p) => p.value === pattern)?.says} />}
              </div>
              <div className="answers">
                <StartPreview answers={answers} asText={asText} kind={kind} />
                {part && <Choice legend="How long?" value={by} options={LENGTH_OR_WEARER} onChange={setBy} />}
                {worn ? (
                  <fieldset>
                    <legend>Measure of the {part}</legend>
                    <div className="size-chips" role="group" aria-label="Standard sizes and ages">
                      {house?.sizes
                        ?.filter((size) => size.part === part)
                        .map((size) => (
                          <button type="button" key={size.name} className="size-chip" aria-pressed={wearer.for === size.name} onClick={() => setWearer({ measureMm: size.measureMm, for: size.name, child: size.child || undefined })}>
                            {size.name} <Length mm={size.measureMm} />
                          </button>
                        ))}
                    </div>
                    <LengthField label={`Measure of the ${part}`} mm={wearer.measureMm ?? null} placeholder="or a measure" width={120} onChange={(measureMm) => setWearer({ measureMm })} />
                    {says && (
                      <p role="alert" className="wrong-answer">
                        {says}
                      </p>
                    )}
                  </fieldset>
                ) : (
                  <TextField
                    label={count > 1 && clasped ? "How long is the first row, closed?" : lengthQuestion(clasped ? counts : "closed", hangs)}
                    value={shown}
                    onChange={(e) => {
                      setLength(e.target.value);
                      setSays(null);
                    }}
                    error={says !== null}
                    helperText={says ?? 'As you say it: 7 1/2", 19 cm, 450; or empty, to start from a wearer, from beads or from another piece'}
                    slotProps={{ formHelperText: { role: says ? "alert" : undefined } }}
                  />
                )}
                <TextField label="Name (optional)" value={name} onChange={(e) => setName(e.target.value)} slotProps={{ htmlInput: { maxLength: 120 } }} />
              </div>
            </div>
          </div>
        </DialogContent>
        <DialogActions sx={{ px: 3, pb: 2 }}>
          <Button onClick={onClose}>Cancel</Button>
          <Button type="submit" variant="contained" disabled={rowsSay !== null}>
            Create
          </Button>
        </DialogActions>
      </form>
      {choosing && (
        <CataloguePicker
          title="The first bead"
          filter={{ class: "bead" }}
          onPick={(material) => {
            setBead(material);
            setChoosing(false);
          }}
          onClose={() => setChoosing(false)}
        />
      )}
    </Dialog>
  );
}
