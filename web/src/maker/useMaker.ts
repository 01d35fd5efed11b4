import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useDeferredValue, useEffect, useRef, useState } from "react";
import { api, ApiError, unwrap, type CatalogueItem, type Component, type ComponentFacts, type Material } from "../api/client.ts";
import { fetchCatalogue, useHeld } from "../shop/catalogue.ts";
import { allRead, RED } from "../ui/reads.ts";
import { useDraft } from "../ui/useDraft.ts";
import { idFor } from "../shop/fields.ts";
import { asKind, cleaned, type Usual } from "./kinds.ts";

const FRESH: CatalogueItem = { material: { id: "", class: "component", name: "", component: { kind: "charm" } }, onHand: 0, archived: false, revision: 0 };

/** Maker is a component being made, with what follows from it. */
export interface Maker {
  item: CatalogueItem;
  material: Material;
  component: Component;
  onHand: number;
  facts: ComponentFacts | undefined;
  /** What is wrong, by the field of the component it is wrong in; "" for the whole. */
  faults: Map<string, string>;
  /** The catalogue's materials that it is made of, by id. */
  parts: Map<string, CatalogueItem>;
  usual: Usual;
  changed: boolean;
  /** isBack says that what was typed here and not saved is back. */
  isBack: boolean;
  /** giveUp shows it as it is saved. */
  giveUp: () => void;
  change: (next: Partial<Material>) => void;
  changeComponent: (next: Partial<Component>) => void;
  setKind: (kind: Component["kind"]) => void;
  setOnHand: (n: number) => void;
  /** save keeps it in the catalogue; it gives what went wrong, or null. */
  save: (archived?: boolean) => Promise<string | null>;
}

/** useOpened fetches a component of the catalogue, or begins one. Undefined while it is fetched, null if there is none. */
export function useOpened(id: string): { item: CatalogueItem; usual: Usual } | null | undefined {
  const fresh = id === "new";
  const found = useQuery({ queryKey: ["component", id], queryFn: () => fetchCatalogue({ ids: id }), enabled: !fresh, staleTime: 0, gcTime: 0 });
  const usual = useUsual();
  if (!usual || (!fresh && !found.isSuccess)) return undefined;
  if (fresh) return { item: { ...FRESH, material: { ...FRESH.material, component: asKind({ kind: "charm" }, "charm", usual) } }, usual };
  const [item] = found.data!.items;
  return item?.material.component ? { item, usual } : null;
}

/** useMaker holds the component that is being made. */
export function useMaker(opened: { item: CatalogueItem; usual: Usual }): Maker {
  const [item, setItem] = useState(opened.item);
  const draft = useDraft(`component.${opened.item.material.id || "new"}`, item.revision, { material: item.material, onHand: item.onHand });
  const { material, onHand } = draft.value;
  const queries = useQueryClient();
  const newest = useRef(draft);
  useEffect(() => {
    newest.current = draft;
  });
  const { facts, faults } = useFacts(material);
  const parts = useHeld(idsIn(material.component));
  const set = (next: Partial<typeof draft.value>) => draft.set({ ...draft.value, ...next });
  return {
    item, material, component: material.component!, onHand, facts, faults, parts, usual: opened.usual,
    changed: draft.changed, isBack: draft.isBack, giveUp: draft.giveUp,
    change: (next) => set({ material: { ...material, ...next } }),
    changeComponent: (next) => set({ material: { ...material, component: { ...material.component!, ...next } } }),
    setKind: (kind) => set({ material: { ...material, component: asKind(material.component!, kind, opened.usual) } }),
    setOnHand: (n) => set({ onHand: n }),
    save: async (archived = item.archived) => {
      if (!(await allRead())) return RED;
      const { value: { material, onHand }, base, forget } = newest.current;
      const body = cleaned({ ...material, id: material.id || idFor(material.name) });
      try {
        const saved = await unwrap(api.PUT("/api/materials/{id}", { params: { path: { id: body.id } }, body: { base, onHand, archived, material: body } }));
        forget();
        setItem(saved);
        draft.set({ material: saved.material, onHand: saved.onHand });
        await queries.invalidateQueries({ queryKey: ["materials"] });
        return null;
      } catch (err) {
        return (err instanceof ApiError ? err.problem.faults?.[0]?.says : undefined) ?? (err as Error).message;
      }
    },
  };
}

function idsIn(c: Component | undefined): string[] {
  if (!c) return [];
  const all = [...(c.rings ?? []), ...(c.below ?? []), ...(c.turn ?? []), ...Object.values(c.palette ?? {}), ...Object.keys(c.parts ?? {}), c.pin, c.cord, c.bead];
  return [...new Set(all.filter((id): id is string => Boolean(id)))];
}

/** middling is a material of the type that is neither the smallest nor the largest. */
async function middling(types: string): Promise<string | undefined> {
  const size = ({ material: m }: CatalogueItem) => (m.insideMm ?? 0) + (m.lengthMm ?? 0) + (m.diameterMm ?? 0);
  const found = (await fetchCatalogue({ types, limit: 100 })).items.filter((item) => item.material.joint !== "soldered").sort((a, b) => size(a) - size(b));
  return found[Math.floor((found.length - 1) / 2)]?.material.id;
}

/** useUsual finds a ring, pins and a cord of the catalogue to begin with. */
function useUsual(): Usual | undefined {
  return useQuery({
    queryKey: ["materials", "usual"],
    queryFn: async () => {
      const [ring, headPin, eyePin, cord] = await Promise.all(["jump-ring", "head-pin", "eye-pin", "thread"].map(middling));
      return { ring, headPin, eyePin, cord };
    },
    staleTime: 60_000,
  }).data;
}

/** useFacts asks what follows from the component as it is now. While it cannot be made the last facts stay. */
function useFacts(m: Material): { facts: ComponentFacts | undefined; faults: Map<string, string> } {
  const tried = useDeferredValue(JSON.stringify(cleaned({ ...m, id: m.id || "new", name: m.name || "Component" })));
  const asked = useQuery({
    queryKey: ["component facts", tried],
    queryFn: () => unwrap(api.POST("/api/components/try", { body: JSON.parse(tried) as Material })),
    retry: false, staleTime: Infinity, placeholderData: (old) => old,
  });
  const faults = new Map<string, string>();
  if (asked.error instanceof ApiError) {
    for (const { where = "", says } of asked.error.problem.faults ?? []) faults.set(where.replace(/^\.?(component\.)?/, "").replace(/^component$/, ""), says);
    if (faults.size === 0) faults.set("", asked.error.message);
  } else if (asked.error) faults.set("", asked.error.message);
  return { facts: asked.data, faults };
}
