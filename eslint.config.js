import { readdirSync } from "node:fs";
import hooks from "eslint-plugin-react-hooks";
import tseslint from "typescript-eslint";

/**
 * The layers of the page: a folder imports only from folders of lower layers. One that is not named is a room, with an
 * address of its own. What two panels or two rooms need lies in a layer below them.
 */
const LAYERS = {
  api: 0, units: 0, ui: 1, draw: 1, pictures: 2, shop: 3, photos: 3, sheets: 3, piece: 4,
  beadline: 5, dishes: 5, ends: 5, gauge: 5, tally: 5, problems: 5, proposals: 5, lengths: 5, compare: 5, app: 9,
};
const ROOM = 6;
const folders = readdirSync("web/src");
const layerOf = (folder) => LAYERS[folder] ?? ROOM;

/** Drawing knows nothing of React, and of no window when it is loaded. */
const mayImport = (from, to) => from === to || (from === "draw" ? ["api", "units"].includes(to) : layerOf(to) < layerOf(from));

const react = { group: ["react", "react-dom", "react-router", "@mui/*"], message: "It knows nothing of React." };

const layers = folders.map((from) => {
  const closed = folders.filter((to) => !mayImport(from, to)).flatMap((to) => [`../${to}/*`, `../${to}/**`, `../../${to}/**`]);
  const patterns = [
    ...(closed.length > 0 ? [{ group: closed, message: `A folder imports only from layers below its own; ${from} is of layer ${layerOf(from)}.` }] : []),
    ...(from === "draw" || layerOf(from) === 0 ? [react] : []),
  ];
  return { files: [`web/src/${from}/**`], rules: patterns.length > 0 ? { "no-restricted-imports": ["error", { patterns }] } : {} };
});

export default tseslint.config(
  { ignores: ["web/src/api/schema.gen.ts"] },
  ...tseslint.configs.recommended,
  { files: ["web/src/**"], ...hooks.configs.flat["recommended-latest"] },
  ...layers,
  { files: ["web/src/draw/**"], ignores: ["web/src/draw/cloth.ts", "web/src/draw/paint/sprites.ts"], rules: { "no-restricted-globals": ["error", "window", "document", "localStorage"] } },
);
