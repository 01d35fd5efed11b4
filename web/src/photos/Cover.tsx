import { photoAt } from "./photos.ts";
import "./photos.css";

/** Cover is the photograph that stands for a thing; nothing where there is none. */
export function Cover({ photo, name, className = "" }: { photo: string | undefined; name: string; className?: string }) {
  if (!photo) return null;
  return <img className={`cover ${className}`} src={photoAt(photo, "small")} alt={`Photograph of ${name}`} loading="lazy" decoding="async" />;
}
