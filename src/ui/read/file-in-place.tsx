import type { Answer } from "@/services/registry";
import { Spoken } from "./spoken";

type Resource = Answer<"resources.read">["resource"];
type File = NonNullable<Answer<"resources.text">["file"]>;

/** What kinds of files are shown or played as they are. */
export function FileInPlace({ resource, file }: { resource: Resource; file: File }) {
  const { title, captionsHash } = resource;
  const src = `/api/file/${resource.id}`;
  if (file.type === "application/pdf")
    // Parameters every viewer knows: the page itself, no list of pages beside it.
    return (
      <iframe
        src={`${src}#navpanes=0&view=FitH`}
        title={title}
        className="mt-6 h-[80vh] w-full rounded-md border border-line"
      />
    );
  // A drawing runs nothing and asks for nothing where it is shown as a picture.
  if (/^image\/(jpeg|png|gif|webp|avif|svg\+xml)$/.test(file.type))
    // eslint-disable-next-line @next/next/no-img-element -- the file itself, as it is kept
    return <img src={src} alt={title} className="mt-6 max-w-full rounded-md" />;
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
