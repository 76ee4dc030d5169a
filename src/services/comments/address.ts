import { mentionsIn } from "@/core/talk/mentions";
import { mailedAt, type NoticeKind } from "@/core/talk/notices";
import { peopleSeeing } from "@/data/queries/guests";
import { addNotices, peopleInThread, wishesOf } from "@/data/queries/notices";
import type { Running } from "@/mechanism/action";
import { newId } from "@/outside/random";

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
  if (!kinds.size) return;
  const common = { team: scope.team!, collection: said.home, comment: said.id, createdAt: at };
  await addNotices(
    tx,
    [...kinds].map(([person, kind]) => ({ ...common, id: newId(), person, kind })),
  );
  const wishes = await wishesOf(tx, [...kinds.keys()]);
  for (const [person, kind] of kinds) {
    set.emit({ verb: "notices.came", subject: said.id, collection: said.home, onlyFor: person });
    const time = wishes.get(person)![kind];
    if (time === "never") continue;
    set.enqueue({
      ...{ id: newId(), kind: "notices.mail", team: scope.team, createdAt: at },
      uniqueKey: `notices.mail:${time}:${person}`,
      payload: { person, time },
      runAt: mailedAt(time, at),
    });
  }
}
