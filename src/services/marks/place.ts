import { marksToPlace, writePlaces } from "@/data/queries/marks";
import type { NewJob } from "@/data/queries/jobs";
import { findText } from "@/data/queries/texts-and-files";
import { lockResource } from "@/data/queries/resources";
import { changingByItself, database } from "@/mechanism/changing";
import { newId } from "@/outside/random";
import { placeInThread } from "@/outside/threads/in-thread";

/** So many marks of one thing are placed. */
const MOST = 5_000;

/** The job that finds out where the marks of a resource stand in the copy in use. */
export const placeJob = (resource: string, team: string, at: Date): NewJob => ({
  id: newId(),
  kind: "marks.place",
  payload: { resource },
  team,
  uniqueKey: `marks.place:${resource}`,
  createdAt: at,
});

/**
 * Finds the marks of a resource in its copy in use and writes where they stand, how sure that is, or that their place is
 * lost. Nothing else of them is changed.
 */
export async function placeMarks(resource: string): Promise<void> {
  const text = await findText(database(), resource);
  const marks = await marksToPlace(database(), resource, MOST);
  if (!marks.length) return;
  const places = text ? await placeInThread({ html: text.html, marks }) : marks.map(() => null);
  await changingByItself(async (tx, begin) => {
    const row = await lockResource(tx, resource);
    if (!row) return;
    // Another copy came meanwhile, and with it another job.
    const now = await findText(tx, resource);
    if (now?.number !== text?.number) return;
    await writePlaces(
      tx,
      marks.map(({ id }, i) => {
        const place = places[i];
        return place
          ? { id, start: place.start, end: place.end, sure: Math.max(1, Math.round(place.sure * 100)) }
          : { id, start: null, end: null, sure: 0 };
      }),
    );
    begin({ team: row.team, person: null }).emit({ subject: resource, verb: "marks.placed" });
  });
}
