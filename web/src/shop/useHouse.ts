import { useQuery } from "@tanstack/react-query";
import { api, unwrap } from "../api/client.ts";

/** HOUSE_KEY is what the house method is kept under among the queries. */
export const HOUSE_KEY = ["house"];

/** useHouse gives the shop's house method, all of it filled in. */
export function useHouse() {
  return useQuery({ queryKey: HOUSE_KEY, queryFn: () => unwrap(api.GET("/api/house")), staleTime: 10_000, refetchInterval: (query) => (query.state.data?.behind ? 1000 : false) });
}
