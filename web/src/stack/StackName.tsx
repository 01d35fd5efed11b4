import { Autocomplete, TextField } from "@mui/material";
import { useQuery } from "@tanstack/react-query";
import { api, unwrap, type Document } from "../api/client.ts";
import type { Bench } from "../piece/Bench.ts";

/** StackName says which stack the piece belongs to: pieces with one name are worn together. */
export function StackName({ bench, doc }: { bench: Bench; doc: Document }) {
  const stacks = useQuery({ queryKey: ["stacks"], queryFn: () => unwrap(api.GET("/api/stacks")) });
  const set = (name: string) => {
    if (name.trim() !== (doc.stack ?? "")) void bench.apply({ do: "set-stack", text: name.trim() });
  };
  return (
    <Autocomplete
      freeSolo
      size="small"
      sx={{ width: 230 }}
      key={doc.stack ?? ""}
      defaultValue={doc.stack ?? ""}
      options={stacks.data ?? []}
      onChange={(_, name) => set(name ?? "")}
      onBlur={(e) => set((e.target as HTMLInputElement).value)}
      renderInput={(params) => <TextField {...params} label="Stack" placeholder="no stack" slotProps={{ ...params.slotProps, htmlInput: { ...params.slotProps.htmlInput, maxLength: 40 } }} />}
    />
  );
}
