import { Button } from "@mui/material";
import { useRouteError } from "react-router";

/** isGone says whether a part of the page could not be fetched: after an update the parts have other names. */
const isGone = (error: unknown) => error instanceof Error && /dynamically imported module|module script failed|Failed to fetch/i.test(error.message);

/** Renewed stands in the place of a view that could not be shown. What was changed is kept: it is saved as it is typed, or held in this browser. */
export function Renewed() {
  const gone = isGone(useRouteError());
  return (
    <main className="pieces">
      <h1>{gone ? "Mala was renewed" : "This view has a fault"}</h1>
      <p>
        {gone
          ? "This page is of the version before, or the server is not there. Reload it to go on. Your changes are kept."
          : "Something went wrong on this page. Reload it to go on. Your changes are kept."}
      </p>
      <Button variant="contained" onClick={() => window.location.reload()}>
        Reload
      </Button>
    </main>
  );
}
