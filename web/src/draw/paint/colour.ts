/** Rgb is a colour of three channels, 0 to 255. */
export type Rgb = [number, number, number];

const PLAIN: Rgb = [176, 160, 140];

/** parseColour reads #rrggbb; anything else is a plain bead's colour. */
export function parseColour(hex: string | undefined): Rgb {
  if (!hex || !/^#[0-9a-f]{6}$/i.test(hex)) return PLAIN;
  const n = Number.parseInt(hex.slice(1), 16);
  return [n >> 16, (n >> 8) & 255, n & 255];
}

/** mix goes from a to b by t, 0 to 1. */
export function mix(a: Rgb, b: Rgb, t: number): Rgb {
  return [a[0] + (b[0] - a[0]) * t, a[1] + (b[1] - a[1]) * t, a[2] + (b[2] - a[2]) * t];
}

export const WHITE: Rgb = [255, 252, 246];
export const INK: Rgb = [34, 18, 32];

export function css(c: Rgb, alpha = 1): string {
  return `rgba(${Math.round(c[0])},${Math.round(c[1])},${Math.round(c[2])},${alpha})`;
}

/** lighter and darker move a colour towards daylight and shade. */
export const lighter = (c: Rgb, t: number) => mix(c, WHITE, t);
export const darker = (c: Rgb, t: number) => mix(c, INK, t);

/** scatter is a small repeatable source of chance, so that a bead looks the same each time. */
export function scatter(seed: string): () => number {
  let h = 2166136261;
  for (const ch of seed) h = Math.imul(h ^ ch.charCodeAt(0), 16777619);
  return () => {
    h = Math.imul(h ^ (h >>> 15), 2246822507);
    h = Math.imul(h ^ (h >>> 13), 3266489909);
    return ((h ^= h >>> 16) >>> 0) / 4294967296;
  };
}
