import { mentionsIn } from "@/core/talk/mentions";
import type { NoticeKind } from "@/core/talk/notices";
import { peopleSeeing } from "@/data/queries/guests";
import { peopleInThread } from "@/data/queries/notices";
import type { Running } from "@/mechanism/action";
import { tellNotices } from "../notices/tell";

type Telling = Pick<Running<unknown>, "scope" | "tx" | "at" | "set">;
type Said = { id: string; words: string; thread: string | null; home: string };

/**
 * Addresses something that is said to whom it means: to who is named in it, and to who takes part in its thread, as far as
 * they see it; nobody to themselves. Each hears once of it, by mail when they want to.
 * @param before the words it had before, of which all have heard
 */
export async function addressTo({ scope, tx, at, set }: Telling, said: Said, before?: string): Promise<void> {
  const people = await peopleSeeing(tx, said.home);
  const kinds = new Map<string, NoticeKind>();
  if (said.thread && before === undefined) {
    const seeing = new Set(people.map((one) => one.id));
    for (const id of await peopleInThread(tx, said.thread)) if (seeing.has(id)) kinds.set(id, "answer");
  }
  const heard = new Set(before === undefined ? [] : mentionsIn(before, people).ids);
  for (const id of mentionsIn(said.words, people).ids) if (!heard.has(id)) kinds.set(id, "mention");
  kinds.delete(scope.person!);
  const about = { team: scope.team!, collection: said.home, comment: said.id };
  await tellNotices({ tx, at, set }, about, [...kinds]);
}
