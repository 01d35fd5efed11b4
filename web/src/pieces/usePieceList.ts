import { keepPreviousData, useQueries, useQuery } from "@tanstack/react-query";
import { api, unwrap, type PieceCard } from "../api/client.ts";

/** PAGE is how many pieces are asked for at once. */
const PAGE = 60;

const fetchPage = (search: string, offset: number) => unwrap(api.GET("/api/pieces", { params: { query: { search, limit: PAGE, offset } } }));

const pageQuery = (search: string, page: number) => ({ queryKey: ["pieces", search, page], queryFn: () => fetchPage(search, page * PAGE), staleTime: 20_000 });

/** usePieceList knows how many pieces match, and asks for those from one index to another as they are looked at. */
export function usePieceList(search: string, from: number, to: number) {
  const first = useQuery({ ...pageQuery(search, 0), placeholderData: keepPreviousData, refetchOnMount: "always" });
  const pages: number[] = [];
  for (let page = Math.max(1, Math.floor(from / PAGE)); page <= Math.floor(Math.max(from, to) / PAGE); page++) pages.push(page);
  const others = useQueries({ queries: pages.map((page) => ({ ...pageQuery(search, page), enabled: page * PAGE < (first.data?.total ?? 0) })) });
  const at = (index: number): PieceCard | undefined => {
    const page = Math.floor(index / PAGE);
    return (page === 0 ? first.data : others[pages.indexOf(page)]?.data)?.pieces[index % PAGE];
  };
  return { total: first.data?.total ?? 0, at, pending: first.isPending, error: first.error ?? others.find((o) => o.error)?.error };
}
