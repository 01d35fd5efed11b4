import { Button, Dialog, DialogActions, DialogContent, DialogTitle } from "@mui/material";
import { useState } from "react";
import { oneSignActs, setOneSignActs } from "../piece/oneSign.ts";
import { PAGE_KEYS, STRAND_KEYS, type Key } from "../piece/keys.ts";

function Keys({ title, keys }: { title: string; keys: Key<string>[] }) {
  return (
    <table className="list">
      <caption style={{ textAlign: "left", fontWeight: 700, padding: "4px 0" }}>{title}</caption>
      <tbody>
        {keys.map((k) => (
          <tr key={k.keys}>
            <th scope="row">
              {k.keys.split(" ").map((one, i) => (one === "…" ? " … " : <span key={i}> <kbd>{one}</kbd></span>))}
            </th>
            <td>{k.does}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** KeyList shows every key. */
export function KeyList({ open, onClose }: { open: boolean; onClose: () => void }) {
  const [oneSign, setOneSign] = useState(oneSignActs);
  return (
    <Dialog open={open} onClose={onClose} maxWidth="md" aria-labelledby="keys-title">
      <DialogTitle id="keys-title" component="h1" variant="h1">
        Keys
      </DialogTitle>
      <DialogContent tabIndex={0} sx={{ display: "grid", gridTemplateColumns: { md: "1.25fr 1fr" }, gap: 4, alignItems: "start" }}>
        <Keys title="On the strand" keys={STRAND_KEYS} />
        <div>
          <Keys title="Anywhere" keys={PAGE_KEYS} />
          <label className="one-sign">
            <input
              type="checkbox"
              checked={oneSign}
              onChange={(e) => {
                setOneSign(e.target.checked);
                setOneSignActs(e.target.checked);
              }}
            />
            Keys of one sign act anywhere; else on the strand alone
          </label>
        </div>
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose} autoFocus>
          Close
        </Button>
      </DialogActions>
    </Dialog>
  );
}
