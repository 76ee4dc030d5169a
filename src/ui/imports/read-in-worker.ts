import type { ReadAnswer, ReadRequest } from "@/workers/read-import-file";
import { ask, Refusal } from "../talk/call";

/** Thrown for a file that is read as a document, and is no list. */
export class IsDocument extends Error {}

/**
 * Reads a file or a pasted text in a web worker, so that the page stays quick however large it is. A list that only another
 * program can read goes by the server first.
 * @throws {IsDocument}
 * @throws {Error} with words for the person
 */
export async function readInWorker(asked: ReadRequest): Promise<ReadAnswer & { ok: true }> {
  const answer = await inWorker(asked);
  if (answer.ok) return answer;
  if ("detail" in answer) throw new Error(answer.detail);
  if ("document" in answer) throw new IsDocument();
  const { ris } = await ask("references.convert", { from: answer.convert, text: answer.text }).catch(
    (error: unknown) => {
      throw new Error(error instanceof Refusal ? error.detail : "This list cannot be read just now.");
    },
  );
  const name = `${asked.name.replace(/\.[a-z0-9]{1,5}$/i, "")}.ris`;
  const read = await inWorker({ name, text: ris, isFile: true });
  if (read.ok) return read;
  throw new Error("detail" in read ? read.detail : "There are no references in this list.");
}

function inWorker(asked: ReadRequest): Promise<ReadAnswer> {
  const worker = new Worker(new URL("@/workers/read-import-file.ts", import.meta.url), { type: "module" });
  return new Promise<ReadAnswer>((resolve, reject) => {
    worker.onmessage = ({ data }: MessageEvent<ReadAnswer>) => resolve(data);
    worker.onerror = () => reject(new Error("This file cannot be read in this browser."));
    worker.postMessage(asked);
  }).finally(() => worker.terminate());
}
