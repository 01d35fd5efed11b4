import createClient from "openapi-fetch";
import type { components, paths } from "./schema.gen.ts";

type Schemas = components["schemas"];

export type Document = Schemas["Document"];
export type Material = Schemas["Material"];
export type Analysis = Schemas["Analysis"];
export type Strand = Schemas["Strand"];
export type Placed = Schemas["Placed"];
export type EndPart = Schemas["EndPart"];
export type Outline = Schemas["Outline"];
export type LineNode = Schemas["Node"];
export type Check = Schemas["Check"];
export type Fix = Schemas["Fix"];
export type Edit = Schemas["Edit"];
export type House = Schemas["House"];
export type HouseState = Schemas["HouseState"];
export type HouseEffects = Schemas["HouseEffects"];
export type Suggestion = Schemas["Suggestion"];
export type Round = Schemas["Round"];
export type Problem = Schemas["Problem"];
export type PieceState = Schemas["PieceState"];
export type PieceCard = Schemas["PieceCard"];
export type CatalogueItem = Schemas["CatalogueItem"];
export type MaterialFacts = Schemas["MaterialFacts"];
export type NewPiece = Schemas["NewPiece"];
export type VersionNote = Schemas["VersionNote"];

export const api = createClient<paths>({ baseUrl: window.location.origin });

/** Away says that the server could not be reached at all. */
export class Away extends Error {
  constructor() {
    super("Mala's server does not answer just now.");
  }
}

/** Refused carries the server's answer to something that cannot be. */
export class Refused extends Error {
  readonly problem: Problem;
  constructor(problem: Problem) {
    super(problem.detail);
    this.problem = problem;
  }
}

interface Answer<T> {
  data?: T;
  error?: unknown;
  response: Response;
}

/** given unwraps an answer, or throws Away or Refused. */
export async function given<T>(call: Promise<Answer<T>>): Promise<T> {
  let answer: Answer<T>;
  try {
    answer = await call;
  } catch (cause) {
    if (cause instanceof DOMException && cause.name === "AbortError") throw cause;
    throw new Away();
  }
  if (answer.response.ok) return answer.data as T;
  const problem = answer.error as Problem | undefined;
  if (!problem?.detail || problem.status === 503) throw new Away();
  throw new Refused(problem);
}
