import type { Filter } from "../materials/catalogue.ts";

/** JOINS is what of the catalogue can lie between two sections that end on it. */
export const JOINS: Filter = { class: "finding", types: "jump-ring,split-ring,connector,chain" };

/** SHARED is what of the catalogue the cords of two sections can run through. */
export const SHARED: Filter = { class: "bead" };
