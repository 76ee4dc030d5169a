import { watchOne } from "@/data/queries/links";
import type { Actor } from "@/mechanism/actor";
import { database } from "@/mechanism/changing";
import { newId } from "@/outside/random";
import { findWays } from "@/services/links/find-ways";
import { lookAtLink } from "@/services/links/look-at";
import { call } from "./call";

/** What has become of some pages: in which collection each stands, its place on the stand-in web, and its context line. */
export const LINKED = {
  daysAgo: 30,
  by: "rhea",
  collection: "Week 6: what the ground remembers",
  items: [
    ["moor-sounds/short", "Listen once more, now that you know what lies beneath."],
    ["bog-journal/members", "The figure on the second page is the one to draw."],
    [
      "moor-sounds/2019/under-the-ice",
      "What a frozen pool sounds like, for whoever is early.",
      "Under the ice",
    ],
  ],
} as const;

type Brought = { resource: string; host: string; isSought: boolean };

/** Brings them into their collection. @returns the resources, with their sites */
export async function bringLinks(
  by: Actor,
  team: string,
  collection: string,
  at: (place: string) => string,
): Promise<Brought[]> {
  const made: Brought[] = [];
  for (const [place, context, title] of LINKED.items) {
    const placement = newId();
    const wish = { team, address: at(place), collection, placement };
    const { resource } = await call(by, "capture.address", wish);
    await call(by, "placements.edit", { placement, context });
    // As it was called when it was read.
    if (title) await call(by, "resources.edit", { resource: resource.id, title });
    made.push({ resource: resource.id, host: new URL(at(place)).host, isSought: !!title });
  }
  return made;
}

/** Has them asked twice, so that what was found is certain, and looks for what is gone elsewhere. */
export async function lookAtThem(team: string, brought: readonly Brought[]): Promise<void> {
  for (const { resource, host, isSought } of brought) {
    await watchOne(database(), { resource, host, team, nextAt: new Date() });
    await lookAtLink(resource);
    await lookAtLink(resource);
    if (isSought) await findWays(resource);
  }
}
