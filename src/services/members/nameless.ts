import { isStillIn } from "@/data/queries/leaving";
import type { Running } from "@/mechanism/action";
import { Problem } from "@/mechanism/problem";
import { newId } from "@/outside/random";

/**
 * Takes the name of somebody who has just left off what they made in a team, and erases what was theirs alone there.
 * @throws {Problem} still-here, when they are there in another way: what they go on making has their name
 */
export async function leaveNameless(
  { tx, at, enqueue }: Pick<Running<object>, "tx" | "at" | "enqueue">,
  { team, person }: { team: string; person: string },
): Promise<void> {
  if (await isStillIn(tx, team, person)) throw new Problem("still-here");
  const of = { team, person };
  enqueue({
    ...{ id: newId(), kind: "people.erase", createdAt: at, uniqueKey: `people.erase:${team} ${person}` },
    payload: of,
  });
  enqueue({
    ...{ id: newId(), kind: "people.unsign", createdAt: at, uniqueKey: `people.unsign:${team} ${person}` },
    // An id nobody has.
    payload: { ...of, as: newId() },
  });
}
