import "@fontsource-variable/figtree/wght.css";
import "@fontsource-variable/fraunces/wght.css";
import "./app.css";
import "../plan/plan.css";
import createCache from "@emotion/cache";
import { CacheProvider } from "@emotion/react";
import { CssBaseline, ThemeProvider } from "@mui/material";
import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { StrictMode } from "react";
import { createRoot } from "react-dom/client";
import { createBrowserRouter, Navigate, RouterProvider } from "react-router";
import { LayOut } from "../bench/LayOut.tsx";
import { PieceRoom } from "../bench/PieceRoom.tsx";
import { Pieces } from "../pieces/Pieces.tsx";
import { UnitProvider } from "../ui/UnitContext.tsx";
import { Renewed } from "./Renewed.tsx";
import { Shell } from "./Shell.tsx";
import { theme } from "../ui/theme.ts";

const nonce = document.querySelector<HTMLMetaElement>('meta[name="csp-nonce"]')?.content;
const cache = createCache({ key: "m", nonce });
const queries = new QueryClient({ defaultOptions: { queries: { retry: 1, staleTime: 5000 } } });

const router = createBrowserRouter([
  {
    element: <Shell />,
    hydrateFallbackElement: <p className="hidden">Opening …</p>,
    children: [
      {
        errorElement: <Renewed />,
        children: [
          { path: "/pieces", element: <Pieces /> },
          { path: "/deleted", lazy: async () => ({ Component: (await import("../pieces/Deleted.tsx")).Deleted }) },
          { path: "/kits", lazy: async () => ({ Component: (await import("../kits/KitsRoom.tsx")).KitsRoom }) },
          { path: "/kits/selling", lazy: async () => ({ Component: (await import("../kits/SellingRoom.tsx")).SellingRoom }) },
          {
            path: "/kits/:id",
            lazy: async () => ({ Component: (await import("../kits/KitRoom.tsx")).KitRoom }),
            children: [
              { index: true, lazy: async () => ({ Component: (await import("../kits/KitTable.tsx")).KitTable }) },
              { path: "bag/:cell/pack", lazy: async () => ({ Component: (await import("../kits/PackRoom.tsx")).PackRoom }) },
              { path: "bag/:cell", lazy: async () => ({ Component: (await import("../kits/BagRoom.tsx")).BagRoom }) },
            ],
          },
          { path: "/house", lazy: async () => ({ Component: (await import("../house/HouseRoom.tsx")).HouseRoom }) },
          { path: "/materials", lazy: async () => ({ Component: (await import("../materials/Materials.tsx")).Materials }) },
          { path: "/materials/component/:id", lazy: async () => ({ Component: (await import("../maker/Maker.tsx")).Maker }) },
          {
            path: "/pieces/:id",
            element: <PieceRoom />,
            children: [
              { index: true, element: <LayOut /> },
              { path: "decide", lazy: async () => ({ Component: (await import("../decide/Decide.tsx")).Decide }) },
              { path: "fit", lazy: async () => ({ Component: (await import("../fit/Fit.tsx")).Fit }) },
              { path: "sizes", lazy: async () => ({ Component: (await import("../sizes/SizesRoom.tsx")).SizesRoom }) },
              { path: "stack", lazy: async () => ({ Component: (await import("../stack/StackRoom.tsx")).StackRoom }) },
              { path: "variants", lazy: async () => ({ Component: (await import("../variants/VariantsRoom.tsx")).VariantsRoom }) },
              { path: "ends", lazy: async () => ({ Component: (await import("../endsroom/EndsRoom.tsx")).EndsRoom }) },
              { path: "plan", lazy: async () => ({ Component: (await import("../plan/Plan.tsx")).Plan }) },
              { path: "colours", lazy: async () => ({ Component: (await import("../colours/ColoursRoom.tsx")).ColoursRoom }) },
              { path: "buy", lazy: async () => ({ Component: (await import("../buying/BuyRoom.tsx")).BuyRoom }) },
              { path: "written", lazy: async () => ({ Component: (await import("../written/WrittenRoom.tsx")).WrittenRoom }) },
              { path: "history", lazy: async () => ({ Component: (await import("../history/History.tsx")).History }) },
            ],
          },
          { path: "*", element: <Navigate to="/pieces" replace /> },
        ],
      },
    ],
  },
]);

createRoot(document.getElementById("root")!).render(
  <StrictMode>
    <CacheProvider value={cache}>
      <ThemeProvider theme={theme}>
        <CssBaseline />
        <QueryClientProvider client={queries}>
          <UnitProvider>
            <RouterProvider router={router} />
          </UnitProvider>
        </QueryClientProvider>
      </ThemeProvider>
    </CacheProvider>
  </StrictMode>,
);
