import { Autocomplete, Button, Dialog, DialogActions, DialogContent, DialogTitle, TextField } from "@mui/material";
import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useDeferredValue, useState } from "react";
import { api, unwrap } from "../api/client.ts";
import { Length } from "../ui/UnitContext.tsx";

/** AddPiece finds a piece by a few letters of its name. */
export function AddPiece({ onPick, onClose }: { onPick: (id: string) => void; onClose: () => void }) {
  const [typed, setTyped] = useState("");
  const search = useDeferredValue(typed);
  const found = useQuery({
    queryKey: ["pieces", "to add", search],
    queryFn: ({ signal }) => unwrap(api.GET("/api/pieces", { params: { query: { search, limit: 60 } }, signal })),
    placeholderData: keepPreviousData,
  });
  return (
    <Dialog open onClose={onClose} maxWidth="sm" fullWidth aria-labelledby="add-piece">
      <DialogTitle id="add-piece" component="h1" variant="h1">
        Which piece?
      </DialogTitle>
      <DialogContent sx={{ minHeight: 420, pt: "8px !important" }}>
        <Autocomplete
          open
          disablePortal
          autoHighlight
          options={found.data?.pieces ?? []}
          getOptionLabel={(piece) => piece.name}
          getOptionKey={(piece) => piece.id}
          inputValue={typed}
          onInputChange={(_, text) => setTyped(text)}
          filterOptions={(all) => all}
          onChange={(_, piece) => piece && onPick(piece.id)}
          onClose={(_, why) => why === "escape" && onClose()}
          noOptionsText={found.isPending ? "Searching …" : "No piece matches."}
          slotProps={{ listbox: { sx: { maxHeight: 320 } }, popper: { sx: { position: "static !important", transform: "none !important", width: "100% !important" } }, paper: { elevation: 0 } }}
          renderInput={(params) => <TextField {...params} label="Search the pieces" autoFocus />}
          renderOption={({ key, ...props }, piece) => (
            <li key={key} {...props}>
              <span style={{ display: "grid", gridTemplateColumns: "1fr auto", gap: 12, width: "100%" }}>
                <span>{piece.name}</span>
                <span className="quiet">
                  {piece.kind}, {piece.finishedMm !== undefined && <Length mm={piece.finishedMm} />}
                </span>
              </span>
            </li>
          )}
        />
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Cancel</Button>
      </DialogActions>
    </Dialog>
  );
}
