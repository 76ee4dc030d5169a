import type { Words } from "@/core/health/likeness";
import { plainText } from "@/core/text/plain";
import { decodePage } from "../fetch/decode";
import { sign } from "./read-page-thread";

export type PageWordsTask = { body: Uint8Array; contentType: string };

/** What is kept of all words of a page, to be compared with another one. */
export default function work({ body, contentType }: PageWordsTask): Words {
  const text = plainText(decodePage(Buffer.from(body), contentType));
  const signature = sign(text);
  return { signature, few: signature ? "" : text.toLowerCase().slice(0, 2_000) };
}
