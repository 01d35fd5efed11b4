import { Button, Menu, MenuItem } from "@mui/material";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { useNavigate } from "react-router";
import { api, unwrap } from "../api/client.ts";

interface Props {
  id: string;
  name: string;
  /** ready says whether the piece is saved. */
  ready: () => Promise<boolean>;
  onSays: (says: string | null) => void;
}

/** IntoKit puts the piece, as it is now, into a kit of its own or into one that there is. */
export function IntoKit({ id, name, ready, onSays }: Props) {
  const navigate = useNavigate();
  const [at, setAt] = useState<HTMLElement | null>(null);
  const kits = useQuery({ queryKey: ["kits", ""], queryFn: () => unwrap(api.GET("/api/kits", { params: { query: { limit: 60 } } })), enabled: at !== null });
  async function put(kit: string | null) {
    setAt(null);
    onSays(null);
    try {
      if (!(await ready())) throw new Error("The piece is not saved yet. Try again when it is.");
      const piece = await unwrap(api.POST("/api/kit-pieces/{id}", { params: { path: { id } } }));
      if (kit === null) {
        const made = await unwrap(api.POST("/api/kits", { body: { format: "mala-kit/1", name, pieces: [piece] } }));
        void navigate(`/kits/${made.id}`);
        return;
      }
      const there = await unwrap(api.GET("/api/kits/{id}", { params: { path: { id: kit } } }));
      await unwrap(api.PUT("/api/kits/{id}", { params: { path: { id: kit } }, body: { base: there.revision, kit: { ...there.kit, pieces: [...there.kit.pieces, piece] } } }));
      void navigate(`/kits/${kit}`);
    } catch (err) {
      onSays((err as Error).message);
    }
  }
  return (
    <>
      <Button variant="contained" aria-haspopup="menu" onClick={(e) => setAt(e.currentTarget)}>
        Add to a kit
      </Button>
      <Menu open={at !== null} anchorEl={at} onClose={() => setAt(null)}>
        <MenuItem onClick={() => void put(null)}>A new kit of this piece</MenuItem>
        {kits.data?.kits.map((kit) => (
          <MenuItem key={kit.id} onClick={() => void put(kit.id)}>
            {kit.name}
          </MenuItem>
        ))}
      </Menu>
    </>
  );
}
