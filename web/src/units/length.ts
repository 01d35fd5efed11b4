export type Unit = "mm" | "in";

const MM_PER_INCH = 25.4;
const PARTS = 16;

function decimal(value: number, decimals: number): string {
  const text = value.toFixed(decimals).replace(/\.?0+$/, decimals > 0 ? "" : "$&");
  return text === "-0" ? "0" : text;
}

/** inSixteenths gives whole inches and the fraction in lowest terms. */
export function inSixteenths(mm: number): { sign: string; whole: number; num: number; den: number } {
  let parts = Math.round((Math.abs(mm) / MM_PER_INCH) * PARTS);
  const sign = mm < 0 && parts > 0 ? "-" : "";
  const whole = Math.floor(parts / PARTS);
  let den = PARTS;
  parts %= PARTS;
  while (parts > 0 && parts % 2 === 0) {
    parts /= 2;
    den /= 2;
  }
  return { sign, whole, num: parts, den };
}

/** formatLength writes a length as the house does: mm to 0.1, inches to 1/16. */
export function formatLength(mm: number, unit: Unit): string {
  if (unit === "mm") return `${decimal(mm, 1)} mm`;
  const { sign, whole, num, den } = inSixteenths(mm);
  if (num === 0) return `${sign}${whole} in`;
  return whole === 0 ? `${sign}${num}/${den} in` : `${sign}${whole} ${num}/${den} in`;
}

/** asShown is a length as it is written, in mm: so that what is said of two agrees with what is read. */
export function asShown(mm: number, unit: Unit): number {
  return unit === "mm" ? Number(mm.toFixed(1)) : (Math.sign(mm) * Math.round((Math.abs(mm) / MM_PER_INCH) * PARTS) * MM_PER_INCH) / PARTS;
}

/** otherUnit is the unit shown on hover. */
export function otherUnit(unit: Unit): Unit {
  return unit === "mm" ? "in" : "mm";
}
