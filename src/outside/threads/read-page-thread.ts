import type { PageFacts } from "@/core/page/facts";
import { readPage } from "@/core/page/read-page";
import type { KeptPicture } from "@/core/page/text-pictures";
import { makeReadingCopy, type ReadingCopy } from "@/core/page/reading-copy";
import { signatureOf, writeSignature } from "@/core/text/min-hash";
import { decodePage } from "../fetch/decode";

/** What is asked of a thread: the facts of a page, or its reading copy. */
export type PageTask = { body: Uint8Array; contentType: string; address: string; want: "facts" | "copy" };
export type StoredCopy = ReadingCopy & {
  signature: string;
  /** Pictures that came with the text and are stored already; those in `pictures` are still to be fetched. */
  kept?: readonly (KeptPicture & { bytes: number })[];
};

/** The work of one thread. Bundled into a file of its own, because threads begin with a file. */
export default function work({ body, contentType, address, want }: PageTask): PageFacts | StoredCopy | null {
  const html = decodePage(Buffer.from(body), contentType);
  if (want === "facts") return readPage(html, address);
  const copy = makeReadingCopy(html, address);
  return copy && { ...copy, signature: sign(copy.text) };
}

/** The signature of a text as it is kept; empty for a text too short to be compared. */
export function sign(text: string): string {
  const signature = signatureOf(text);
  return signature ? writeSignature(signature) : "";
}
