import { useSyncExternalStore } from "react";
import { call, Refusal } from "../talk/call";
import { newId } from "../talk/ids";
import { whyOf } from "../talk/say-failure";
import { sendFile } from "../talk/send-file";

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
const change = (id: string, fields: Partial<Upload>) =>
  set(uploads.map((one) => (one.id === id ? { ...one, ...fields } : one)));

function set(next: Upload[]): void {
  uploads = next;
  // Whoever leaves the page in the middle has to find the file again: they are asked first.
  if (uploads.some(isUnderWay)) window.addEventListener("beforeunload", askFirst);
  else window.removeEventListener("beforeunload", askFirst);
  listeners.forEach((listener) => listener());
}

const isUnderWay = ({ state }: Upload): boolean =>
  state === "waiting" || state === "sending" || state === "paused";
const askFirst = (event: BeforeUnloadEvent) => event.preventDefault();

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
  set(uploads.filter(isUnderWay));
}

const AT_ONCE = 2;
let running = 0;
const queue: (() => Promise<void>)[] = [];

/**
 * Sends files, two at a time, in pieces: a connection that breaks goes on where it stopped, also after the page was
 * loaded anew and the same file is dropped again. Each becomes a resource when it has arrived.
 */
export function sendFiles(files: readonly File[], where: Where, onDone: () => void): void {
  const added = files.map((file) => {
    const id = newId();
    queue.push(() => bring(id, file, where).then(onDone));
    return { id, name: file.name, bytes: file.size, sent: 0, state: "waiting" as const, words: "" };
  });
  set([...uploads, ...added]);
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

async function bring(id: string, file: File, { team, collection, section }: Where): Promise<void> {
  try {
    const upload = await sendFile(file, team, {
      onSent: (sent) => change(id, { state: "sending", sent }),
      onPaused: () => change(id, { state: "paused" }),
    });
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
    const words = error instanceof Refusal ? (Object.values(error.fields)[0] ?? error.detail) : whyOf(error);
    change(id, { state: "failed", words });
  }
}
