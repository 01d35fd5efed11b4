import { useQuery } from "@tanstack/react-query";
import { api, unwrap } from "../api/client.ts";

/** useSelling gives how the shop packs and prices. */
export const useSelling = () => useQuery({ queryKey: ["selling"], queryFn: () => unwrap(api.GET("/api/selling")) });
