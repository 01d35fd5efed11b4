import { useQuery, useQueryClient } from "@tanstack/react-query";
import { api, unwrap, type Photo } from "../api/client.ts";

/** Pictured is what a photograph can show; a component is a material, and a version is its piece's id, a point and its number. */
export type Pictured = "material" | "piece" | "version" | "kit";
export type Size = "large" | "medium" | "small";

export const photoAt = (id: string, size: Size) => `/api/photo/${id}/${size}`;

/** MAX_BYTES is what the server reads of one file. */
const MAX_BYTES = 20 * 1024 * 1024;

/** usePhotos gives the photographs of a thing, the cover first, and what can be done with them. */
export function usePhotos(of: Pictured, id: string) {
  const queries = useQueryClient();
  const found = useQuery({ queryKey: ["photos", of, id], queryFn: () => unwrap(api.GET("/api/photos/{of}/{id}", { params: { path: { of, id } } })), enabled: id !== "" });
  const moved = () => Promise.all([["photos", of, id], ["covers", of], ["deleted"]].map((queryKey) => queries.invalidateQueries({ queryKey })));
  return {
    photos: found.data?.photos ?? [],
    says: found.error?.message,
    add: async (file: Blob) => {
      if (file.size > MAX_BYTES) throw new Error(`The picture has ${Math.ceil(file.size / 1024 / 1024)} MB; up to 20 MB can be read. Save it smaller.`);
      await unwrap(api.POST("/api/photos/{of}/{id}", { params: { path: { of, id } }, body: file as unknown as string, bodySerializer: (body) => body, headers: { "Content-Type": "application/octet-stream" } }));
      await moved();
    },
    order: async (ids: string[]) => {
      await unwrap(api.PUT("/api/photos/{of}/{id}", { params: { path: { of, id } }, body: { ids } }));
      await moved();
    },
    remove: async (photo: Photo) => {
      await unwrap(api.DELETE("/api/photo/{id}", { params: { path: { id: photo.id } } }));
      await moved();
    },
    restore: async (photo: Photo) => {
      await unwrap(api.POST("/api/photo/{id}/undelete", { params: { path: { id: photo.id } } }));
      await moved();
    },
  };
}

/** useCovers gives the cover of each of several things that has one, by the id of the thing. */
export function useCovers(of: Exclude<Pictured, "version">, ids: string[]): Record<string, string> {
  const asked = [...new Set(ids)].sort().slice(0, 1000);
  const found = useQuery({
    queryKey: ["covers", of, asked.join(" ")],
    queryFn: () => unwrap(api.POST("/api/covers", { body: { of, ids: asked } })),
    enabled: asked.length > 0, placeholderData: (before) => before, retry: false,
  });
  return found.data?.covers ?? {};
}

/** photoData fetches a photograph as data, so that a page that is saved carries it. */
export async function photoData(id: string): Promise<string> {
  const answer = await fetch(photoAt(id, "medium"));
  if (!answer.ok) throw new Error("The photograph could not be fetched. Try again in a moment.");
  const bytes = new Uint8Array(await answer.arrayBuffer());
  return `data:image/jpeg;base64,${btoa(bytes.reduce((text, byte) => text + String.fromCharCode(byte), ""))}`;
}
