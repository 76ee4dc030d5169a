import { escape } from "@/core/publish/html";

/** Sanitised words with their marks, or plain ones with their lines. */
export function Words({ rich, plain, className = "" }: { rich: string; plain?: string; className?: string }) {
  if (!rich && !plain) return null;
  return (
    <div
      className={`rich ${className}`}
      dangerouslySetInnerHTML={{ __html: rich || `<p>${escape(plain ?? "").replace(/\n/g, "<br>")}</p>` }}
    />
  );
}
