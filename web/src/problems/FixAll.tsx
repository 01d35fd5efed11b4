import { Button, Popover } from "@mui/material";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, unwrap, type Document } from "../api/client.ts";
import { identity } from "../api/identity.ts";
import type { Bench } from "../piece/Bench.ts";
import type { BenchState } from "../piece/BenchState.ts";
import { useUnit } from "../ui/UnitContext.tsx";

/** FixAll shows what the fixes of all that must or should be fixed would change, and does them in one step. */
export function FixAll({ bench, state }: { bench: Bench; state: BenchState }) {
  const [at, setAt] = useState<HTMLElement | null>(null);
  return (
    <>
      <button type="button" className="link" aria-haspopup="dialog" disabled={state.behind} onClick={(e) => setAt(e.currentTarget)}>
        Fix all …
      </button>
      <Popover open={at !== null} anchorEl={at} onClose={() => setAt(null)} anchorOrigin={{ vertical: "bottom", horizontal: "left" }}>
        {at && <Preview bench={bench} doc={state.analysed} onDone={() => setAt(null)} />}
      </Popover>
    </>
  );
}

function Preview({ bench, doc, onDone }: { bench: Bench; doc: Document; onDone: () => void }) {
  const { unit } = useUnit();
  const found = useQuery({
    queryKey: ["fix-all", identity(doc), unit],
    queryFn: ({ signal }) => unwrap(api.POST("/api/fix-all", { params: { query: { unit } }, body: doc, signal })),
    retry: false,
  });
  const all = found.data;
  return (
    <div className="fix-all" role="dialog" aria-label="Fix what must or should be fixed">
      <h3>Fix what must or should be fixed</h3>
      {found.isPending && <p className="quiet">Trying …</p>}
      {found.isError && <p role="alert">{found.error.message}</p>}
      {all?.says.length === 0 && <p>Nothing mends these without bringing something worse.</p>}
      <Listed what="This changes, in one step that can be undone:" all={all?.says} />
      <Listed what="This is left:" all={all?.left} />
      {!!all?.says.length && (
        <Button
          autoFocus
          size="small"
          variant="outlined"
          onClick={() => {
            void bench.apply(...all.operations);
            onDone();
          }}
        >
          Fix all
        </Button>
      )}
    </div>
  );
}

function Listed({ what, all }: { what: string; all: string[] | undefined }) {
  if (!all?.length) return null;
  return (
    <>
      <p>{what}</p>
      <ul>
        {all.map((says, i) => (
          <li key={i}>{says}</li>
        ))}
      </ul>
    </>
  );
}
