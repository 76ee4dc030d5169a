import type { Answer } from "@/services/registry";
import type { Parts } from "./marks/part-marks";
import { Spoken } from "./spoken";

type Resource = Answer<"resources.read">["resource"];
type File = NonNullable<Answer<"resources.text">["file"]>;

export const PDF = "application/pdf";
/** The address of the file a resource is. */
export const fileOf = (id: string): string => `/api/file/${id}`;

/** Pictures browsers show. */
const isShownPicture = (type: string): boolean => /^image\/(jpeg|png|gif|webp|avif|svg\+xml)$/.test(type);

/** What of a thing can be marked that has no words: what plays here tells its seconds, what is seen its parts. */
export function partsOf(resource: Pick<Resource, "player">, file: File | null): Parts | null {
  if (file?.type === PDF) return "pages";
  if (file)
    return isShownPicture(file.type) ? "regions" : /^(audio|video)\//.test(file.type) ? "seconds" : null;
  if (!resource.player) return null;
  return resource.player.type === "file" ? "seconds" : "typed seconds";
}

/** What kinds of files are shown or played as they are. */
export function FileInPlace({ resource, file }: { resource: Resource; file: File }) {
  const { title, captionsHash } = resource;
  const src = fileOf(resource.id);
  // A drawing runs nothing and asks for nothing where it is shown as a picture.
  if (isShownPicture(file.type))
    // eslint-disable-next-line @next/next/no-img-element -- the file itself, as it is kept
    return <img src={src} alt={title} className="max-w-full rounded-md" draggable={false} />;
  if (file.type.startsWith("audio/") && !captionsHash)
    return <audio controls preload="metadata" src={src} className="mt-6 w-full" aria-label={title} />;
  // A sound with captions is played where they are seen.
  if (/^(audio|video)\//.test(file.type))
    return (
      <video
        controls
        preload="metadata"
        src={src}
        className="mt-6 max-h-[80vh] w-full rounded-md bg-sunk"
        aria-label={title}
      >
        <Spoken {...resource} />
      </video>
    );
  return null;
}
