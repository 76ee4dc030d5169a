import { MAIL_TIMES, type NoticeTold, noticeLetter, placeOfNotice } from "@/core/talk/notices";
import type { Tx } from "@/data/database";
import { kindsAt, lettersTo, noteMailed, putInLetter, tokenOf, wishesOf } from "@/data/queries/notices";
import { noticesOf } from "@/data/queries/noticed";
import { mailAddressOf } from "@/data/queries/people";
import { transact } from "@/data/transaction";
import { database } from "@/mechanism/changing";
import { now } from "@/outside/clock";
import { isRefusal, mailHost, sendMany } from "@/outside/mail";
import { newId, newSecret } from "@/outside/random";
import { addressOfHobbin } from "../accounts/address";

/** More does not stand in one letter. */
const MOST = 200;

/**
 * Sends somebody what is addressed to them and not looked at yet. What goes into a letter is written down before it goes,
 * under the name the letter has: one that was on its way when a process died, and may go out again, is the same message.
 * @param time of which kinds, by what they want by now
 * @throws when the mail server does not take mail now; it is tried later
 */
export async function mailNotices(person: string, time: string): Promise<void> {
  const wanted = MAIL_TIMES.find((one) => one === time && one !== "never");
  if (!wanted) return;
  await transact(database(), async (tx) => {
    const wishes = (await wishesOf(tx, [person])).get(person)!;
    await putInLetter(tx, person, kindsAt(wishes, wanted), newId());
  });
  for (const letter of await lettersTo(database(), person)) {
    await send(database(), person, letter);
    await noteMailed(database(), letter, now());
  }
}

async function send(tx: Tx, person: string, letter: string): Promise<void> {
  const to = await mailAddressOf(tx, person);
  const fresh = (await noticesOf(tx, person, { letter }, MOST)).filter((one) => one.seenAt === null);
  // It was looked at, or taken back, meanwhile.
  if (!to || !fresh.length) return;
  const base = addressOfHobbin();
  const told = fresh.map((one): NoticeTold => {
    const { kind, by, words, title, about, day, many } = one;
    return {
      ...{ kind, words, title, about, day, many, by: by && (by.name ?? "Somebody") },
      link: `${base}${placeOfNotice(one)}`,
    };
  });
  const token = await tokenOf(tx, person, newSecret());
  const mail = sendMany();
  try {
    await mail
      .send({
        ...{ to, ...noticeLetter(told, `${base}/account#mail`) },
        messageId: `<notices.${letter}@${mailHost()}>`,
        leave: `${base}/notices/${token}`,
      })
      .catch((error: unknown) => {
        // What a mail server says for good of an address is not asked again.
        if (!isRefusal(error)) throw error;
      });
  } finally {
    mail.close();
  }
}
