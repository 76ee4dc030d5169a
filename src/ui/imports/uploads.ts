import { useSyncExternalStore } from "react";
import { ask, call, Refusal } from "../talk/call";
import { newId } from "../talk/ids";

export type Upload = {
  id: string;
  name: string;
  bytes: number;
  sent: number;
  state: "waiting" | "sending" | "paused" | "done" | "known" | "failed";
  /** What went wrong, or where it stands already. */
  words: string;
};
type Where = { team: string; collection?: string; section?: string | null };

let uploads: Upload[] = [];
const listeners = new Set<() => void>();
const change = (id: string, fields: Partial<Upload>) => {
  uploads = uploads.map((one) => (one.id === id ? { ...one, ...fields } : one));
  listeners.forEach((listener) => listener());
};

/** The files on their way, wherever they were dropped. */
export const useUploads = (): Upload[] =>
  useSyncExternalStore(
    (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    () => uploads,
    () => uploads,
  );

/** Takes what is over off the list. */
export function clearDone(): void {
  uploads = uploads.filter(
    (one) => one.state === "waiting" || one.state === "sending" || one.state === "paused",
  );
  listeners.forEach((listener) => listener());
}

const AT_ONCE = 2;
let running = 0;
const queue: (() => Promise<void>)[] = [];

/**
 * Sends files, two at a time, in pieces: a connection that breaks goes on where it stopped, also after the page was
 * loaded anew and the same file is dropped again. Each becomes a resource when it has arrived.
 */
export function sendFiles(files: readonly File[], where: Where, onDone: () => void): void {
  for (const file of files) {
    const id = newId();
    uploads = [...uploads, { id, name: file.name, bytes: file.size, sent: 0, state: "waiting", words: "" }];
    queue.push(() => sendFile(id, file, where).then(onDone));
  }
  listeners.forEach((listener) => listener());
  // The panel that shows them is only loaded now.
  window.dispatchEvent(new Event("hobbin:sending"));
  void work();
}

async function work(): Promise<void> {
  while (running < AT_ONCE && queue.length) {
    running++;
    void queue.shift()!().finally(() => {
      running--;
      void work();
    });
  }
}

async function sendFile(id: string, file: File, { team, collection, section }: Where): Promise<void> {
  try {
    await ask("files.begin", { team, bytes: file.size });
    const upload = await sendByTus(id, file, team);
    const { already, places } = await call("capture.file", {
      team,
      upload,
      collection,
      section,
      placement: newId(),
    });
    const where = places.map((place) => place.title).join(", ");
    change(id, {
      state: already ? "known" : "done",
      sent: file.size,
      words: where && `Stands in ${where} already`,
    });
  } catch (error) {
    const words = error instanceof Refusal ? (Object.values(error.fields)[0] ?? error.detail) : sayTus(error);
    change(id, { state: "failed", words });
  }
}

async function sendByTus(id: string, file: File, team: string): Promise<string> {
  const { Upload: Tus } = await import("tus-js-client");
  return new Promise((resolve, reject) => {
    const tus = new Tus(file, {
      endpoint: "/api/files",
      metadata: { filename: file.name, team },
      chunkSize: 8 * 1024 * 1024,
      retryDelays: [0, 1000, 3000, 5000, 10_000, 20_000, 20_000],
      removeFingerprintOnSuccess: true,
      onProgress: (sent) => change(id, { state: "sending", sent }),
      onShouldRetry: (error) => {
        change(id, { state: "paused" });
        const status = error.originalResponse?.getStatus() ?? 0;
        return status === 0 || status >= 500 || status === 423 || status === 409;
      },
      onError: reject,
      onSuccess: () => resolve(tus.url!.split("/").at(-1)!),
    });
    void tus.findPreviousUploads().then((earlier) => {
      if (earlier[0]) tus.resumeFromPreviousUpload(earlier[0]);
      tus.start();
    });
  });
}

function sayTus(error: unknown): string {
  const body = (error as { originalResponse?: { getBody(): string } }).originalResponse?.getBody();
  const ours = "It did not arrive. Drop it again, and it goes on where it stopped.";
  try {
    return (JSON.parse(body ?? "") as { detail?: string }).detail || ours;
  } catch {
    return ours;
  }
}
