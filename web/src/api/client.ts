import createClient from "openapi-fetch";
import type { components, paths } from "./schema.gen.ts";

type Schemas = components["schemas"];

export type Document = Schemas["Document"];
export type Material = Schemas["Material"];
export type Strand = Omit<Schemas["Strand"], "runs"> & { placed: Placed[]; runs: Run[] };
export type Analysis = Omit<Schemas["Analysis"], "strands"> & { strands: Strand[] };
export type Placed = Schemas["Placed"];
/** Run is alike beads in a row; how far the strand reaches with it is in whole answers only. */
export type Run = Omit<Schemas["RunOf"], "reachedMm"> & { reachedMm?: number };
export type EndPart = Schemas["EndPart"];
export type Outline = Schemas["Outline"];
export type SeatDrawn = Schemas["SeatDrawn"];
export type ComponentFacts = Schemas["ComponentFacts"];
export type Component = Schemas["Component"];
export type PartOf = Schemas["PartOf"];
export type ShortOf = Schemas["ShortOf"];
export type Count = Schemas["Count"];
export type LineNode = Schemas["Node"];
export type Check = Schemas["Check"];
export type SizeFound = Schemas["SizeFound"];
export type MadeInHand = Schemas["MadeInHand"];
export type MadeBefore = Schemas["MadeBefore"];
export type StackPiece = Schemas["StackPiece"];
export type SizeWay = Schemas["SizeWay"];
export type Ways = Schemas["Ways"];
export type Way = Schemas["Way"];
export type Audit = Schemas["Audit"];
export type Statement = Schemas["Statement"];
export type Pack = Schemas["Pack"];
export type Buying = Schemas["Buying"];
export type BuyNeed = Schemas["BuyNeed"];
export type BuyPack = Schemas["BuyPack"];
export type Colourway = Schemas["Colourway"];
export type Matrix = Schemas["Matrix"];
export type Cell = Schemas["Cell"];
export type Kit = Schemas["Kit"];
export type KitPiece = Schemas["KitPiece"];
export type KitState = Schemas["KitState"];
export type KitCard = Schemas["KitCard"];
export type KitMatrix = Schemas["KitMatrix"];
export type KitCell = Schemas["KitCell"];
export type KitBill = Schemas["KitBill"];
export type KitPrice = Schemas["KitPrice"];
export type BillLine = Schemas["BillLine"];
export type BagItem = Schemas["BagItem"];
export type Selling = Schemas["Selling"];
export type Fix = Schemas["Fix"];
export type Operation = Schemas["Operation"];
export type Place = Schemas["Place"];
export type House = Schemas["House"];
export type HouseState = Schemas["HouseState"];
export type HouseTrial = Schemas["HouseTrial"];
export type PieceByHouse = Schemas["PieceByHouse"];
export type Suggestion = Schemas["Suggestion"];
export type Picture = Schemas["Picture"];
export type Whole = Schemas["Whole"];
export type Bar = Schemas["Bar"];
export type WholeRow = Schemas["WholeRow"];
export type Wrap = Schemas["Wrap"];
export type Seat = Schemas["Seat"];
export type Fitting = Schemas["Fitting"];
export type Problem = Schemas["Problem"];
export type PieceState = Schemas["PieceState"];
export type PieceCard = Schemas["PieceCard"];
export type Deleted = Schemas["Deleted"];
export type Thumbnail = Schemas["Thumbnail"];
export type CatalogueItem = Schemas["CatalogueItem"];
export type MaterialFacts = Schemas["MaterialFacts"];
export type NewPiece = Schemas["NewPiece"];
export type Photo = Schemas["Photo"];
export type VersionNote = Schemas["VersionNote"];

export const api = createClient<paths>({ baseUrl: window.location.origin });

/** Offline says that the server, or its database, could not be reached. */
export class Offline extends Error {
  /** The server's own account, where it could still answer. */
  readonly reason: string;
  constructor(reason = "") {
    super(reason || "Server unavailable. Try again in a moment.");
    this.reason = reason;
  }
}

/** ApiError carries the server's answer to a request that it refused or failed at. */
export class ApiError extends Error {
  readonly problem: Problem;
  constructor(problem: Problem) {
    super(problem.request ? `${problem.detail} (request ${problem.request})` : problem.detail);
    this.problem = problem;
  }
}

interface Answer<T> {
  data?: T;
  error?: unknown;
  response: Response;
}

/** unwrap gives the data of an answer, or throws Offline or ApiError. */
export async function unwrap<T>(call: Promise<Answer<T>>): Promise<T> {
  let answer: Answer<T>;
  try {
    answer = await call;
  } catch (cause) {
    if (cause instanceof DOMException && cause.name === "AbortError") throw cause;
    throw new Offline();
  }
  if (answer.response.ok) return answer.data as T;
  const problem = answer.error as Problem | undefined;
  if (!problem?.detail || problem.status === 503) throw new Offline(problem?.detail);
  throw new ApiError(problem);
}
