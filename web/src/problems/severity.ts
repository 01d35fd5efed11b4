import type { Analysis, Check } from "../api/client.ts";

/** SEVERITY is how grave a problem is, as a sign and in words. */
export const SEVERITY = {
  stop: { sign: "✕", says: "must fix" },
  warn: { sign: "▲", says: "should fix" },
  advise: { sign: "•", says: "could be better" },
} satisfies Record<Check["severity"], { sign: string; says: string }>;

/** openProblems are those that are not ignored, the worst first. */
export const openProblems = (analysis: Analysis | null) => analysis?.checks.filter((c) => !c.waived) ?? [];

/** problems counts them in words. */
export const problems = (n: number) => (n === 0 ? "No problems" : n === 1 ? "1 problem" : `${n} problems`);
