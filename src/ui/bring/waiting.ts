import { createStore, del, entries, set } from "idb-keyval";
import { call, Refusal } from "../talk/call";

/** Something to bring in that was saved on this device, with a file where it is one. */
export type Waiting = {
  id: string;
  team: string;
  collection?: string;
  address: string;
  title: string;
  text: string;
  tags: string[];
  file?: { name: string; content: Blob };
};

/** What became of it: the thing, whether it was there before, and where that stood. */
export type Sent = {
  resource: { id: string };
  already: boolean;
  places: readonly { title: string }[];
};

const stored = () => createStore("hobbin-bring", "waiting");

/** Saves something on this device until it can be sent. */
export const keep = (one: Waiting): Promise<void> => set(one.id, one, stored());
/** Everything that waits on this device. */
export const waiting = async (): Promise<Waiting[]> =>
  (await entries<string, Waiting>(stored())).map(([, value]) => value);

/** Sends one thing. Ids are made on the device, so what arrived after all does not stand twice. */
export async function send({
  id,
  team,
  collection,
  address,
  title,
  text,
  tags,
  file,
}: Waiting): Promise<Sent> {
  const spot = { team, ...(collection && { collection, placement: id }) };
  let sent: Sent;
  if (file) {
    const upload = await sendFile(team, file.name, file.content);
    sent = await call("capture.file", { ...spot, upload, ...(title && { title }) });
  } else if (address && text) {
    const source = { source: address, ...(title && { sourceTitle: title }) };
    sent = await call("capture.note", { ...spot, text, ...source });
  } else if (address) sent = await call("capture.page", { ...spot, address, tags });
  else sent = await call("capture.note", { ...spot, text, ...(title && { title }) });
  if (tags.length && !(address && !text)) await call("tags.add", { resource: sent.resource.id, tags });
  return sent;
}

async function sendFile(team: string, name: string, content: Blob): Promise<string> {
  const { Upload } = await import("tus-js-client");
  return new Promise((resolve, reject) => {
    const upload = new Upload(content, {
      endpoint: "/api/files",
      metadata: { filename: name, team },
      chunkSize: 4 * 1024 * 1024,
      storeFingerprintForResuming: false,
      onError: () =>
        reject(new Refusal(0, "The file did not arrive whole. It is stored here and sent again.", {})),
      onSuccess: () => resolve(upload.url!.split("/").at(-1)!),
    });
    upload.start();
  });
}

/** Sends what waits, in order. @returns how many still wait */
export async function sendWaiting(): Promise<number> {
  const all = (await waiting()).sort((a, b) => (a.id < b.id ? -1 : 1));
  for (const [i, one] of all.entries()) {
    try {
      await send(one);
    } catch (error) {
      if (error instanceof Refusal && error.status !== 0 && error.status < 500) {
        // Refused for good: it stays, so that nothing typed is lost, and the others go on.
        continue;
      }
      return all.length - i;
    }
    await del(one.id, stored());
  }
  return (await waiting()).length;
}
