import { audienceNow } from "@/core/publish/opens";
import { findCollection } from "@/data/queries/collections";
import { findIssue, noteCopy, waitingCopies } from "@/data/queries/newsletters";
import { shareCodeOf } from "@/data/queries/sharing";
import { database } from "@/mechanism/changing";
import { now } from "@/outside/clock";
import { isRefusal, mailHost, sendMany } from "@/outside/mail";
import { addressOfHobbin } from "../accounts/address";
import { contentOf } from "../editions/stored-content";
import { asLetter } from "./compose";

/** So many are read at once; each is sent, and written down, before the next. */
const SOME = 100;

/**
 * Sends what is left of an issue, one copy after the other. Each has a Message-ID of its own that stays the same, so the
 * one that was on its way when a process died, and may go out again, is the same message.
 * @throws when the mail server does not take mail now; what is left is tried later
 */
export async function deliverIssue(id: string): Promise<void> {
  const issue = await findIssue(database(), id);
  // What was withdrawn before it was sent to everybody is sent to nobody else.
  if (!issue || issue.withdrawnAt) return;
  const collection = await findCollection(database(), issue.collection);
  const code = await shareCodeOf(database(), issue.collection);
  // Nor what was closed meanwhile; its copies wait until somebody opens it and sends them theirs.
  if (!collection || collection.deletedAt || !code || audienceNow(collection, now()) === "team") return;
  const content = await contentOf(issue.digest);
  const mail = sendMany();
  try {
    for (;;) {
      const copies = await waitingCopies(database(), id, SOME);
      if (!copies.length) return;
      for (const { reader, address, token } of copies) {
        const letter = asLetter(content, issue.subject, { code, number: issue.number, token });
        const problem = await mail
          .send({
            to: address,
            ...letter,
            messageId: `<${id}.${reader}@${mailHost()}>`,
            leave: `${addressOfHobbin()}/list/${token}`,
          })
          .then(() => null, refusedOrThrow);
        await noteCopy(database(), id, reader, problem, now());
      }
    }
  } finally {
    mail.close();
  }
}

/** What a mail server says for good of one address holds up nobody else. */
function refusedOrThrow(error: unknown): string {
  if (!isRefusal(error)) throw error;
  return error.response.slice(0, 300);
}
