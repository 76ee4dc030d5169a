import { call } from "./call";
import type { Actor } from "@/mechanism/actor";

/** For whom the course is, how long there is, and what is done with things: of each collection the place of an item and minutes. */
export const TIMED = {
  daysAgo: 4,
  by: "ama",
  /** Words of English a minute, at 13 or 14. */
  pace: ["Peatland course", 204],
  aims: [
    ["Week 1: what a bog is", 45],
    ["Week 3: the water table", 50],
    ["Week 5: mosses by hand", 45],
    ["Week 6: what the ground remembers", 40],
  ],
  tasks: [
    ["Week 1: what a bog is", 1, 10],
    ["Week 3: the water table", 2, 10],
    ["Week 3: the water table", 9, 15],
    ["Week 5: mosses by hand", 0, 20],
  ],
  stay: [
    ["Week 3: the water table", 2],
    ["Week 3: the water table", 6],
  ],
} as const;

/** Says so, in the collections of these titles. */
export async function sayTimes(by: Actor, collections: ReadonlyMap<string, string>, tick: () => void) {
  const idOf = (title: string) => collections.get(title)!;
  const placementAt = async (title: string, at: number) => {
    const { items } = await call(by, "collections.items", { collection: idOf(title) });
    return items.filter((item) => item.look === "item")[at]!.id;
  };
  const [course, readingPace] = TIMED.pace;
  await call(by, "collections.edit", { collection: idOf(course), readingPace });
  for (const [title, aimMinutes] of TIMED.aims)
    await call(by, "collections.edit", { collection: idOf(title), aimMinutes });
  for (const [title, at, taskMinutes] of TIMED.tasks)
    await call(by, "placements.edit", { placement: await placementAt(title, at), taskMinutes });
  for (const [title, at] of TIMED.stay)
    await call(by, "placements.edit", { placement: await placementAt(title, at), mustStay: true });
  tick();
}
