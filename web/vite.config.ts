import react from "@vitejs/plugin-react";
import { defineConfig } from "vite";

export default defineConfig({
  root: import.meta.dirname,
  plugins: [react()],
  // Nothing is inlined: the page's policy lets in files of its own only.
  // One chunk of the first view is large before it is compressed; docs/figures.md keeps its size.
  build: { chunkSizeWarningLimit: 900, outDir: "dist/page", emptyOutDir: true, assetsInlineLimit: 0, modulePreload: { polyfill: false } },
  server: { proxy: { "/api": "http://127.0.0.1:7420" } },
});
