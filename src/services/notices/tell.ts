import { may } from "@/core/policy/abilities";
import { mailedAt } from "@/core/talk/mail-hours";
import type { NoticeKind } from "@/core/talk/notices";
import { addNotices, mailHoursOf, notLookedAt, renewNotices, wishesOf } from "@/data/queries/notices";
import { membersOf } from "@/data/queries/teams";
import type { Running } from "@/mechanism/action";
import { newId } from "@/outside/random";

type Telling = Pick<Running<unknown>, "tx" | "at" | "set">;
/**
 * Tells somebody of something that goes on, such as suggestions for a collection of theirs, if they have looked at what
 * there was before: many who write at once do not wait for each other.
 */
export async function tellAgain(
  telling: Telling,
  about: { team: string; collection: string; subject: string },
  person: string,
  kind: NoticeKind,
): Promise<void> {
  const waiting = await notLookedAt(telling.tx, { kind, subject: about.subject }, [person]);
  if (!waiting.has(person)) await tellNotices(telling, about, [[person, kind]]);
}

/** The same for everybody who decides in its team what leaves it. */
export async function tellPublishers(
  telling: Telling,
  about: { team: string; collection: string; subject: string },
  kind: NoticeKind,
): Promise<void> {
  const publishers = (await membersOf(telling.tx, about.team)).filter(({ role }) => may(role, "publish"));
  const people = publishers.map(({ id }) => id);
  const waiting = await notLookedAt(telling.tx, { kind, subject: about.subject }, people);
  const to = people.filter((id) => !waiting.has(id)).map((id) => [id, kind] as const);
  await tellNotices(telling, about, to);
}

type About = { team: string; collection: string } & ({ comment: string } | { subject: string });

/**
 * Addresses something to people: it stands on their Desks, is told to whoever is there, and goes by mail when they want
 * to. Of one thing that is said each hears once; of what goes on, such as suggestions, once until they have looked.
 * @param to each person once, and why
 */
export async function tellNotices(
  { tx, at, set }: Telling,
  about: About,
  to: readonly (readonly [person: string, kind: NoticeKind])[],
): Promise<void> {
  if (!to.length) return;
  const rows = to.map(([person, kind]) => ({ ...about, id: newId(), person, kind, createdAt: at }));
  await ("comment" in about ? addNotices(tx, rows) : renewNotices(tx, rows));
  const people = to.map(([person]) => person);
  const [wishes, hours] = await Promise.all([wishesOf(tx, people), mailHoursOf(tx, people)]);
  const subject = "comment" in about ? about.comment : about.subject;
  for (const [person, kind] of to) {
    set.emit({
      ...{ verb: "notices.came", subject, team: about.team, collection: about.collection, onlyFor: person },
    });
    const time = wishes.get(person)![kind];
    if (time === "never") continue;
    set.enqueue({
      ...{ id: newId(), kind: "notices.mail", team: about.team, createdAt: at },
      uniqueKey: `notices.mail:${time}:${person}`,
      payload: { person, time },
      runAt: mailedAt(time, at, hours.get(person)!),
    });
  }
}
