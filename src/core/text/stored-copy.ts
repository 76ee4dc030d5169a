/** A reading copy as it is stored when another one takes its place: its HTML, and its words. */
export type CopyContent = { html: string; text: string };

const encoder = new TextEncoder();

/** The same copy has the same bytes. */
export const copyBytes = ({ html, text }: CopyContent): Uint8Array =>
  encoder.encode(JSON.stringify({ html, text }));

/** @returns null for bytes that hold no copy */
export function readCopy(bytes: Uint8Array): CopyContent | null {
  try {
    const found = JSON.parse(new TextDecoder().decode(bytes)) as Partial<CopyContent> | null;
    return typeof found?.html === "string" && typeof found.text === "string"
      ? { html: found.html, text: found.text }
      : null;
  } catch {
    return null;
  }
}
