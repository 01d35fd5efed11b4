import { api, unwrap, type NewPiece } from "../api/client.ts";
import type { Unit } from "../units/length.ts";

/** Answers is what a person says of a new piece, but for its name and its length, which is still as it was typed. */
export type Answers = Omit<NewPiece, "name" | "targetMm">;

/** lengthIn reads a length as it is said; nothing of nothing. It throws the sentence that says what is wrong with it. */
export async function lengthIn(text: string, unit: Unit): Promise<number | undefined> {
  return text === "" ? undefined : (await unwrap(api.POST("/api/length", { body: { text, unit } }))).mm;
}
