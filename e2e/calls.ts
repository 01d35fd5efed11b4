import { expect } from "@playwright/test";
import type { Analysis, Document, Fix, Operation } from "../web/src/api/client.ts";
import type { Mala } from "./mala.ts";

async function call<T>(mala: Mala, path: string, body: unknown): Promise<T> {
  const answer = await fetch(`${mala.url}${path}`, { method: "POST", headers: { "Content-Type": "application/json" }, body: JSON.stringify(body) });
  expect(answer.status, await answer.clone().text()).toBe(200);
  return answer.json() as Promise<T>;
}

export const analyse = (mala: Mala, doc: Document, query = "") => call<Analysis>(mala, `/api/analyse${query}`, doc);

export const fixesOf = async (mala: Mala, doc: Document) => (await call<{ fixes: (Fix | null)[] }>(mala, "/api/fixes", doc)).fixes;

/** apply carries operations out on a document. */
export const apply = async (mala: Mala, doc: Document, ...operations: Operation[]) =>
  (await call<{ edited: { document: Document } }>(mala, "/api/edit", { document: doc, operations })).edited.document;
