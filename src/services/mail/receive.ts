import { addressByLocal, type MailAddressRow, sendersOf } from "@/data/queries/letters";
import { addJobs } from "@/data/queries/jobs";
import { writeEvents } from "@/data/queries/events";
import { mailMessage } from "@/data/schema";
import { isDuplicate, transact } from "@/data/transaction";
import { now } from "@/outside/clock";
import { keepFile } from "@/outside/files";
import { newId } from "@/outside/random";
import { type Letter, readLetter } from "@/outside/read-mail";
import { signal } from "@/outside/signals";
import { asEvent, database } from "../action";

const localOf = (address: string) => address.split("@")[0]!.toLowerCase();

/** Whether mail to this address is taken. */
export const isKnownAddress = async (address: string): Promise<boolean> =>
  Boolean(await addressByLocal(database(), localOf(address)));

/**
 * Takes a message in for everybody it is addressed to. The original is kept; the same message to the same address
 * twice is one. What comes from somebody who is not on the person's list is held for a look.
 */
export async function receiveMail(to: readonly string[], raw: Buffer): Promise<void> {
  const original = await keepFile(raw);
  const letter = await readLetter(raw);
  for (const address of new Set(to.map(localOf))) {
    const box = await addressByLocal(database(), address);
    if (box) await keepMessage(box, letter, original);
  }
  signal("events");
  signal("jobs");
}

async function keepMessage(box: MailAddressRow, letter: Letter, original: string): Promise<void> {
  const at = now();
  try {
    await transact(database(), async (tx) => {
      const { listed, own } = await sendersOf(tx, box.person);
      const trusted =
        letter.sentBy === own || listed.some(({ address }) => fitsSender(address, letter.sentBy));
      const id = newId();
      await tx.insert(mailMessage).values({
        id,
        mailbox: box.id,
        team: box.team,
        person: box.person,
        collection: box.collection,
        identity: letter.identity,
        sender: `${letter.from.name} <${letter.from.address}>`.slice(0, 255),
        subject: letter.subject.slice(0, 300),
        state: trusted ? "taken" : "held",
        original,
        links: letter.links.map(({ address, title }) => ({ address, title })),
        createdAt: at,
      });
      if (trusted) await addJobs(tx, [mailJob(id, box.team)]);
      await writeEvents(tx, [
        asEvent(
          { subject: id, data: { title: letter.subject } },
          box.team,
          null,
          trusted ? "mail.taken" : "mail.held",
        ),
      ]);
    });
  } catch (error) {
    // It is here already: the sender may forget it, and nothing is doubled.
    if (!isDuplicate(error)) throw error;
  }
}

/** An entry of the list: a whole address, or `@site.example` for everybody there. */
const fitsSender = (entry: string, address: string): boolean =>
  entry.startsWith("@") ? address.endsWith(entry) : entry === address;

/** The job that makes resources of a message. */
export const mailJob = (message: string, team: string) => ({
  id: newId(),
  kind: "mail.take",
  uniqueKey: `mail.take:${message}`,
  team,
  payload: { message },
  createdAt: now(),
});
