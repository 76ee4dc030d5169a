import { mkdir, writeFile } from "node:fs/promises";
import os from "node:os";
import path from "node:path";
import { eq } from "drizzle-orm";
import { fileName } from "@/core/formats/file-name";
import { countWords, minutesOf } from "@/core/text/minutes";
import type { Tx } from "@/data/database";
import { addJobs } from "@/data/queries/jobs";
import { writeEvents } from "@/data/queries/events";
import { findMessage } from "@/data/queries/letters";
import { findByAddress } from "@/data/queries/resources";
import { mailMessage, resource } from "@/data/schema";
import { transact } from "@/data/transaction";
import { now } from "@/outside/clock";
import { readKept } from "@/outside/files";
import { identityHash } from "@/outside/hash";
import { newId } from "@/outside/random";
import { type Letter, readLetter } from "@/outside/read-mail";
import { signal } from "@/outside/signals";
import { asEvent, database } from "../action";
import { putPlacement } from "../arrange/add-placement";
import { empty } from "../capture/blank";
import { intoTray } from "../capture/into-tray";
import { keepCopy } from "../capture/keep-copy";
import { fileJob, putFile } from "../files/capture-file";
import { type Arrived, takeIn } from "../files/uploads";
import { applyRules } from "../rules/apply-rules";

type Message = NonNullable<Awaited<ReturnType<typeof findMessage>>>;

/** Makes a resource of a message that was taken, and one of each attachment; all in one transaction. */
export async function takeMessage(id: string): Promise<void> {
  const message = await findMessage(database(), id);
  const raw = message && (await readKept(message.original));
  if (!message || !raw || message.resource) return;
  const letter = await readLetter(raw);
  const files: Arrived[] = [];
  for (const one of letter.attachments) files.push(await keepAttachment(message, one));
  await transact(database(), async (tx) => {
    const resourceId = await putLetter(tx, message, letter);
    await tx.update(mailMessage).set({ resource: resourceId }).where(eq(mailMessage.id, id));
    await bringTo(tx, message, resourceId);
    for (const file of files) {
      const { id: fileId, already } = await putFile(tx, file);
      if (!already) await addJobs(tx, [fileJob(fileId, message.team)]);
      await bringTo(tx, message, fileId);
    }
    await applyRules(tx, resourceId);
    await writeEvents(tx, [
      {
        ...asEvent(
          { subject: resourceId, data: { title: letter.subject } },
          message.team,
          null,
          "resources.captured",
        ),
        collection: message.collection,
        actor: message.person,
      },
    ]);
  });
  signal("events");
  signal("jobs");
}

async function putLetter(tx: Tx, message: Message, letter: Letter): Promise<string> {
  const hash = identityHash(`mail:${message.identity}`);
  const known = await findByAddress(tx, message.team, hash);
  if (known) {
    if (known.deletedAt) await tx.update(resource).set({ deletedAt: null }).where(eq(resource.id, known.id));
    return known.id;
  }
  const id = newId();
  const at = now();
  const words = countWords(letter.copy.text);
  await tx.insert(resource).values({
    ...empty(id),
    kind: "page",
    title: letter.subject.slice(0, 500),
    description: letter.copy.text.replace(/\s+/g, " ").slice(0, 280),
    siteName: (letter.list || letter.from.name).slice(0, 200),
    authors: letter.from.name ? [letter.from.name.slice(0, 200)] : [],
    published: letter.date?.toISOString().slice(0, 10) ?? null,
    itemType: "personal_communication",
    words,
    minutes: minutesOf({ words, seconds: null }),
    team: message.team,
    addressHash: hash,
    addedBy: message.person,
    fetchedAt: at,
    createdAt: at,
    updatedAt: at,
  });
  await keepCopy(tx, { id, team: message.team }, letter.copy, "mail");
  return id;
}

async function bringTo(tx: Tx, message: Message, id: string): Promise<void> {
  const { team, person, collection } = message;
  if (collection) {
    const { id: placed } = await putPlacement(tx, { team, person, collection, resource: id });
    await writeEvents(tx, [
      asEvent({ subject: placed, collection, data: { resource: id } }, team, null, "placements.add"),
    ]);
  } else await intoTray(tx, team, person, id);
}

async function keepAttachment(
  message: Message,
  { name, content }: Letter["attachments"][number],
): Promise<Arrived> {
  const folder = path.join(os.tmpdir(), "hobbin-mail");
  await mkdir(folder, { recursive: true });
  const file = path.join(folder, newId());
  await writeFile(file, content);
  const clean = fileName(name, "attachment");
  return { person: message.person, team: message.team, name: clean, ...(await takeIn(file, clean)) };
}
