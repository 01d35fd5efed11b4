import { Autocomplete, Button, TextField } from "@mui/material";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { useParams } from "react-router";
import { api, unwrap, type PieceCard } from "../api/client.ts";
import { formatLength } from "../units/length.ts";
import { LengthField } from "../ui/LengthField.tsx";
import { Length, useUnit } from "../ui/UnitContext.tsx";
import { useAfterMade } from "./afterMade.ts";
import type { StartProps } from "./FromLength.tsx";
import { SatOn } from "./SatOn.tsx";

/** FromMade starts from a piece that is made: as long as it or so much longer, sitting as it sits, or better than it sat. */
export function FromMade({ bench, state }: StartProps) {
  const { id } = useParams();
  const { unit } = useUnit();
  const [search, setSearch] = useState("");
  const [made, setMade] = useState<PieceCard | null>(null);
  const [measured, setMeasured] = useState<number | null>(null);
  const [longer, setLonger] = useState(0);
  const [sat, setSat] = useState("");
  const pieces = useQuery({ queryKey: ["pieces", search, "made"], queryFn: () => unwrap(api.GET("/api/pieces", { params: { query: { search, limit: 100 } } })), placeholderData: (old) => old });
  const found = useAfterMade(state, made && { piece: made.id, measuredMm: measured ?? undefined, longerMm: longer || undefined, sat: sat || undefined });
  const data = found.data;
  const target = (mm: number) => void bench.apply({ do: "set-target", mm });
  const by = longer === 0 ? "" : `, ${formatLength(Math.abs(longer), unit)} ${longer > 0 ? "longer" : "shorter"}`;

  return (
    <fieldset className="from-made">
      <legend>Which piece?</legend>
      <Autocomplete
        value={made}
        options={pieces.data?.pieces.filter((card) => card.id !== id && card.kind !== "ornament" && card.finishedMm != null) ?? []}
        getOptionLabel={(card) => card.name}
        getOptionKey={(card) => card.id}
        isOptionEqualToValue={(a, b) => a.id === b.id}
        filterOptions={(all) => all}
        onInputChange={(_, text, why) => why === "input" && setSearch(text)}
        onChange={(_, card) => {
          setMade(card);
          setMeasured(null);
          setSat("");
        }}
        renderInput={(params) => <TextField {...params} label="A piece of the shop" size="small" />}
      />
      {made && data && (
        <>
          <p>
            It measured <LengthField label="What it measured" mm={measured ?? data.plannedMm ?? null} width={100} onChange={setMeasured} onClear={() => setMeasured(null)} />
            {measured === null && <span className="quiet"> as planned</span>}
            {data.insideMm !== undefined && (
              <>
                , inside <Length mm={data.insideMm} />
              </>
            )}
          </p>
          <p>
            This one longer by <LengthField label="Longer by" mm={longer} width={80} signed onChange={setLonger} onClear={() => setLonger(0)} />
          </p>
          <ul className="takes">
            <li>
              <span>
                as long as {data.name}
                {by}
              </span>
              <Button size="small" variant="outlined" onClick={() => target(data.asLongMm!)}>{`Set target to ${formatLength(data.asLongMm!, unit)}`}</Button>
            </li>
            {data.sitsMm !== undefined && (
              <li>
                <span>
                  as roomy inside as {data.name}
                  {by} <span className="quiet">(other beads take other room)</span>
                </span>
                <Button size="small" variant="outlined" onClick={() => target(data.sitsMm!)}>{`Set target to ${formatLength(data.sitsMm, unit)}`}</Button>
              </li>
            )}
          </ul>
          <SatOn bench={bench} doc={state.doc} found={found} sat={sat} onSat={setSat} what={data.name ?? ""} />
        </>
      )}
      {made && !data && found.error && <p role="alert">{found.error.message}</p>}
    </fieldset>
  );
}
