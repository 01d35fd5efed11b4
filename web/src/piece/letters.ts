import type { Document } from "../api/client.ts";

const LETTERS = "ABCDEFGHIJKLMNOPQRSTUVWXYZ";

/** letterOf is the letter of the dish that holds a material; undefined where none does. */
export const letterOf = (doc: Document, material: string): string | undefined => Object.keys(doc.palette).find((key) => doc.palette[key] === material);

/** freeLetter is a letter that no dish has: the first of the name, if it can be. Undefined where all are taken. */
export function freeLetter(doc: Document, name: string): string | undefined {
  return [...name.toUpperCase(), ...LETTERS].find((letter) => LETTERS.includes(letter) && !(letter in doc.palette));
}
