import { watchOne } from "@/data/queries/links";
import type { Actor } from "@/mechanism/actor";
import { database } from "@/mechanism/changing";
import { newId } from "@/outside/random";
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
  ],
} as const;

type Brought = { resource: string; host: string };

/** Brings them into their collection. @returns the resources, with their sites */
export async function bringLinks(
  by: Actor,
  team: string,
  collection: string,
  at: (place: string) => string,
): Promise<Brought[]> {
  const made: Brought[] = [];
  for (const [place, context] of LINKED.items) {
    const placement = newId();
    const wish = { team, address: at(place), collection, placement };
    const { resource } = await call(by, "capture.address", wish);
    await call(by, "placements.edit", { placement, context });
    made.push({ resource: resource.id, host: new URL(at(place)).host });
  }
  return made;
}

/** Has them asked twice, so that what was found is certain. */
export async function lookAtThem(team: string, brought: readonly Brought[]): Promise<void> {
  for (const { resource, host } of brought) {
    await watchOne(database(), { resource, host, team, nextAt: new Date() });
    await lookAtLink(resource);
    await lookAtLink(resource);
  }
}
