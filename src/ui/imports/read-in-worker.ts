import type { ReadAnswer, ReadRequest } from "@/workers/read-import-file";

/** Reads a file or a pasted text in a web worker, so that the page stays quick however large it is. */
export function readInWorker(asked: ReadRequest): Promise<ReadAnswer & { ok: true }> {
  const worker = new Worker(new URL("@/workers/read-import-file.ts", import.meta.url), { type: "module" });
  return new Promise<ReadAnswer & { ok: true }>((resolve, reject) => {
    worker.onmessage = ({ data }: MessageEvent<ReadAnswer>) =>
      data.ok ? resolve(data) : reject(new Error(data.detail));
    worker.onerror = () => reject(new Error("This file cannot be read in this browser."));
    worker.postMessage(asked);
  }).finally(() => worker.terminate());
}
