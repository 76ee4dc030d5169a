import { MOST_LINKS, worthOffering } from "@/core/mail/forwarded";
import { may } from "@/core/policy/abilities";
import { addMessage, addressByLocal, type MailAddressRow, sendersOf } from "@/data/queries/messages";
import { roleIn } from "@/data/queries/teams";
import { isDuplicate } from "@/data/transaction";
import { changingByItself, database } from "@/mechanism/changing";
import { now } from "@/outside/clock";
import { storeFile } from "@/outside/files";
import { newId } from "@/outside/random";
import { type ReadMessage, readHeads } from "@/outside/read-message";
import { messageInThread } from "@/outside/threads/in-thread";

const localOf = (address: string) => address.split("@")[0]!.toLowerCase();

/**
 * Whether mail to this address is taken.
 * @param address whom a message is for
 */
export const isKnownAddress = async (address: string): Promise<boolean> =>
  Boolean(await addressByLocal(database(), localOf(address)));

/**
 * Takes a message in for everybody it is addressed to. The original is kept; the same message to the same address
 * twice is one. What comes from somebody who is not on the person's list is held for a look.
 * @param to whom the envelope names
 * @param raw the message as it came
 */
export async function receiveMail(to: readonly string[], raw: Buffer): Promise<void> {
  const original = await storeFile(raw);
  // Whatever is in it, nobody else waits for it: its heads are enough to say whether it is taken.
  const message = await messageInThread(raw, false).catch(() => readHeads(raw));
  for (const address of new Set(to.map(localOf))) {
    const box = await addressByLocal(database(), address);
    if (box) await storeMessage(box, message, original);
  }
}

async function storeMessage(box: MailAddressRow, message: ReadMessage, original: string): Promise<void> {
  try {
    await changingByItself(async (tx, begin) => {
      // Who has left the team, or only looks at it by now, brings nothing in.
      if (!may(await roleIn(tx, box.team, box.person), "bring")) return;
      const set = begin({ team: box.team, person: null });
      const { listed, own } = await sendersOf(tx, box.person);
      const trusted =
        message.sentBy === own || listed.some(({ address }) => fitsSender(address, message.sentBy));
      const id = newId();
      await addMessage(tx, {
        id,
        mailbox: box.id,
        team: box.team,
        person: box.person,
        collection: box.collection,
        identity: message.identity,
        sender: `${message.from.name} <${message.from.address}>`.slice(0, 255),
        subject: message.subject.slice(0, 300),
        state: trusted ? "taken" : "held",
        original,
        links: worthOffering([message, ...message.letters].flatMap((one) => one.links))
          .slice(0, MOST_LINKS)
          .map(({ address, title }) => ({ address, title })),
        createdAt: set.at,
      });
      if (trusted) set.enqueue(mailJob(id, box.team));
      set.emit({
        subject: id,
        onlyFor: box.person,
        data: { title: message.subject },
        verb: trusted ? "messages.taken" : "messages.held",
      });
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
  kind: "messages.take-in",
  uniqueKey: `messages.take-in:${message}`,
  team,
  payload: { message },
  createdAt: now(),
});
