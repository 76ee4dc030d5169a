import type { Answer } from "@/services/registry";

type File = NonNullable<Answer<"resources.text">["file"]>;

/** What kinds of files are shown or played as they are. */
export function FileInPlace({ id, file, title }: { id: string; file: File; title: string }) {
  const src = `/api/file/${id}`;
  if (file.type === "application/pdf")
    // Parameters every viewer knows: the page itself, no list of pages beside it.
    return (
      <iframe
        src={`${src}#navpanes=0&view=FitH`}
        title={title}
        className="mt-6 h-[80vh] w-full rounded-md border border-line"
      />
    );
  if (/^image\/(jpeg|png|gif|webp|avif)$/.test(file.type))
    // eslint-disable-next-line @next/next/no-img-element -- the file itself, as it is kept
    return <img src={src} alt={title} className="mt-6 max-w-full rounded-md" />;
  if (file.type.startsWith("audio/"))
    return <audio controls preload="metadata" src={src} className="mt-6 w-full" aria-label={title} />;
  if (file.type.startsWith("video/"))
    return (
      <video controls preload="metadata" src={src} className="mt-6 w-full rounded-md" aria-label={title} />
    );
  return null;
}
