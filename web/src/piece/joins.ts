import type { Filter } from "../shop/catalogue.ts";

/** JOINS is what of the catalogue can lie between two sections that end on it. */
export const JOINS: Filter = { spot: "join" };

/** BEAD_LINKS is what of the catalogue hangs in others of its kind, a row of its own. */
export const BEAD_LINKS: Filter = { class: "component", kind: "link" };

/** SHARED is what of the catalogue the cords of two sections can run through. */
export const SHARED: Filter = { class: "bead" };
