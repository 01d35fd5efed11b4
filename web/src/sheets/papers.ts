import { ApiError, Offline, type Problem } from "../api/client.ts";
import type { CellOf } from "./cell.ts";

/** PAPERS are those that go with a kit, in the order they are used. */
export const PAPERS = [
  { name: "packing", title: "Packing list" },
  { name: "materials", title: "Materials list" },
  { name: "instructions", title: "Instructions" },
  { name: "labels", title: "Labels" },
  { name: "cards", title: "Price card and shelf label" },
  { name: "shop-card", title: "Shop card" },
] as const;

export type Paper = (typeof PAPERS)[number]["name"];

export const SHEETS = ["A4", "Letter"] as const;
export type Sheet = (typeof SHEETS)[number];

const KEPT_AS = "mala.sheet";

/** keptSheet is the size of paper that was last chosen here. */
export const keptSheet = (): Sheet => (localStorage.getItem(KEPT_AS) === "Letter" ? "Letter" : "A4");
export const keepSheet = (sheet: Sheet) => localStorage.setItem(KEPT_AS, sheet);

/** paperAddress is where a paper of a kit is printed. */
export function paperAddress(id: string, paper: Paper, cell: CellOf, how: { copies: number; sheet: Sheet; unit: string }): string {
  const query = new URLSearchParams({ option: String(cell.option), size: String(cell.size), colourway: String(cell.colourway), copies: String(how.copies), sheet: how.sheet, unit: how.unit });
  return `/api/kits/${id}/papers/${paper}?${query}`;
}

/** fetchFile gets a file, or throws what the server says of it. */
export async function fetchFile(address: string, init: RequestInit): Promise<Uint8Array<ArrayBuffer>> {
  let answer: Response;
  try {
    answer = await fetch(address, init);
  } catch (cause) {
    if (cause instanceof DOMException && cause.name === "AbortError") throw cause;
    throw new Offline();
  }
  if (answer.ok) return new Uint8Array(await answer.arrayBuffer());
  throw new ApiError((await answer.json()) as Problem);
}
