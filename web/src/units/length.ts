export type Unit = "mm" | "in";

const MM_PER_INCH = 25.4;
const PARTS = 16;

/** SMALL is below what lengths are given in mm in every unit: a sixteenth of an inch is too coarse for a ring or a rod. */
const SMALL = MM_PER_INCH / 2;

/** decimal rounds a figure that lies just between two to the even one, as the server does. */
function decimal(value: number, decimals: number): string {
  if (decimals === 1 && Number.isInteger(value * 4) && Math.abs(value * 4) % 4 === 1) value -= Math.sign(value) * 0.05;
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

const isSmall = (mm: number) => mm !== 0 && Math.abs(mm) < SMALL;

/** formatLength writes a length as the house does: mm to 0.1, inches to 1/16, but mm below half an inch. */
export function formatLength(mm: number, unit: Unit): string {
  if (unit === "mm" || isSmall(mm)) return `${decimal(mm, 1)} mm`;
  const { sign, whole, num, den } = inSixteenths(mm);
  if (num === 0) return `${sign}${whole} in`;
  return whole === 0 ? `${sign}${num}/${den} in` : `${sign}${whole} ${num}/${den} in`;
}

/** asShown is a length as it is written, in mm: so that what is said of two agrees with what is read. */
export function asShown(mm: number, unit: Unit): number {
  return unit === "mm" || isSmall(mm) ? Number(decimal(mm, 1)) : (Math.sign(mm) * Math.round((Math.abs(mm) / MM_PER_INCH) * PARTS) * MM_PER_INCH) / PARTS;
}

/** otherUnit is the unit shown on hover. */
export function otherUnit(unit: Unit): Unit {
  return unit === "mm" ? "in" : "mm";
}
