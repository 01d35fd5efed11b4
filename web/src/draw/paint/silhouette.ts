import type { Outline } from "../../api/client.ts";

/** Side is a face seen from the side: points [radius, distance], from the hole outwards. */
type Side = [number, number][];

/**
 * seen is what one sees of a face from the side: at each height the farthest
 * point of the face at that radius or beyond, since a hollow is hidden by its
 * own rim.
 */
function seen(face: number[][]): Side {
  const out: Side = [];
  let farthest = -Infinity;
  for (let i = face.length - 1; i >= 0; i--) {
    farthest = Math.max(farthest, face[i][1]);
    out.push([face[i][0], farthest]);
  }
  return out.reverse();
}

/** Silhouette is a bead's outline in mm, x along the hole, y up from it. */
export interface Silhouette {
  left: Side;
  right: Side;
  /** How far it reaches left and right of its middle, and above. */
  reach: { left: number; right: number; up: number };
}

export function silhouette(outline: Outline, turned: boolean): Silhouette {
  let left = seen(outline.left);
  let right = seen(outline.right);
  if (turned) [left, right] = [right, left];
  const farthest = (side: Side) => Math.max(...side.map((p) => p[1]));
  return { left, right, reach: { left: farthest(left), right: farthest(right), up: right[right.length - 1][0] } };
}

/** tracePath draws the silhouette as a path, px to the mm, round the origin. */
export function tracePath(path: Path2D, s: Silhouette, px: number) {
  const at = (r: number, z: number, side: -1 | 1, half: -1 | 1) => path.lineTo(side * z * px, half * r * px);
  const top = s.left[s.left.length - 1];
  path.moveTo(-top[1] * px, -top[0] * px);
  for (let i = s.left.length - 1; i >= 0; i--) at(s.left[i][0], s.left[i][1], -1, -1);
  for (const p of s.left) at(p[0], p[1], -1, 1);
  for (let i = s.right.length - 1; i >= 0; i--) at(s.right[i][0], s.right[i][1], 1, 1);
  for (const p of s.right) at(p[0], p[1], 1, -1);
  path.closePath();
}
