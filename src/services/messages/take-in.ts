import { mkdir, writeFile } from "node:fs/promises";
import os from "node:os";
import path from "node:path";
import { fileName } from "@/core/formats/file-name";
import { countWords, minutesOf } from "@/core/text/minutes";
import type { Tx } from "@/data/database";
import { lockCollections } from "@/data/queries/collections";
import { standingIn } from "@/data/queries/imports";
import { findMessage, setMessageResource } from "@/data/queries/messages";
import type { ChangeSet } from "@/mechanism/change-set";
import { changingByItself, database } from "@/mechanism/changing";
import { readStored } from "@/outside/files";
import { identityHash } from "@/outside/hash";
import { newId } from "@/outside/random";
import type { ReadMessage } from "@/outside/read-message";
import { messageInThread } from "@/outside/threads/in-thread";
import { putFile } from "../files/put";
import { type Arrived, takeIn } from "../files/uploads";
import { putPlacement } from "../placements/put";
import { empty, fileJob } from "../resources/blank";
import { findOrAdd } from "../resources/find-or-add";
import { storeCopy } from "../resources/store-copy";
import { applyRules } from "../rules/apply";
import { intoTray } from "../tray/into-tray";

type Message = NonNullable<Awaited<ReturnType<typeof findMessage>>>;

/** Makes a resource of a message that was taken, and one of each attachment; all in one transaction. */
export async function takeMessage(id: string): Promise<void> {
  const message = await findMessage(database(), id);
  const raw = message && (await readStored(message.original));
  if (!message || !raw || message.resource) return;
  const read = await messageInThread(raw, true);
  const files: Arrived[] = [];
  for (const one of read.attachments) files.push(await storeAttachment(message, one));
  await changingByItself(async (tx, begin) => {
    const set = begin({ team: message.team, person: message.person });
    const resource = await putMessage(tx, set, message, read);
    await setMessageResource(tx, id, resource);
    const { collection } = message;
    set.emit({ subject: resource, verb: "resources.captured", collection, data: { title: read.subject } });
    await bringTo(tx, set, message, resource);
    for (const letter of read.letters)
      await bringTo(tx, set, message, await putMessage(tx, set, message, letter));
    for (const file of files) {
      const { id: made, already } = await putFile(tx, set, file);
      if (!already) set.enqueue(fileJob(made, message.team, set.at));
      await bringTo(tx, set, message, made);
    }
    await applyRules(tx, set, resource);
  });
}

/** @returns the id of the resource a message is, once in a team */
async function putMessage(tx: Tx, set: ChangeSet, message: Message, read: ReadMessage): Promise<string> {
  const { team, person } = message;
  const hash = identityHash(`mail:${read.identity}`);
  const words = countWords(read.copy.text);
  const { id, known } = await findOrAdd(tx, set, { team, person, hash }, (fresh) => ({
    ...empty(fresh),
    kind: "page",
    title: read.subject.slice(0, 500),
    description: read.copy.text.replace(/\s+/g, " ").slice(0, 280),
    siteName: (read.list || read.from.name).slice(0, 200),
    authors: read.from.name ? [read.from.name.slice(0, 200)] : [],
    published: read.date?.toISOString().slice(0, 10) ?? null,
    itemType: "personal_communication",
    words,
    minutes: minutesOf({ words, seconds: null }),
    fetchedAt: set.at,
  }));
  if (!known) await storeCopy(tx, set, { id, team }, read.copy, "mail");
  return id;
}

async function bringTo(tx: Tx, set: ChangeSet, message: Message, resource: string): Promise<void> {
  const { team, person, collection } = message;
  if (collection) {
    // A letter may come with several notes, and stands there once.
    await lockCollections(tx, [collection]);
    const stands = await standingIn(tx, [collection], [resource]);
    if (!stands.length) await putPlacement(tx, set, { team, person, collection, resource });
  } else await intoTray(set, team, person, resource);
}

async function storeAttachment(
  message: Message,
  { name, content }: ReadMessage["attachments"][number],
): Promise<Arrived> {
  const folder = path.join(os.tmpdir(), "hobbin-mail");
  await mkdir(folder, { recursive: true });
  const file = path.join(folder, newId());
  await writeFile(file, content);
  const clean = fileName(name, "attachment");
  return { person: message.person, team: message.team, name: clean, ...(await takeIn(file, clean)) };
}
