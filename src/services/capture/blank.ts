import type { NewJob } from "@/data/queries/jobs";
import { newId } from "@/outside/random";

/** A resource of which nothing is known yet but its address. */
export function blank(id: string, address: string, host: string) {
  const url = new URL(address);
  const title = host + (url.pathname === "/" ? "" : url.pathname);
  return { ...empty(id), address, host, title: title.slice(0, 500), fetchState: "waiting" as const };
}

/** A resource without an address, of which everything known is given by whoever brings it in. */
export const empty = (id: string) => ({
  id,
  address: "",
  host: "",
  kind: "page" as const,
  title: "",
  description: "",
  authors: [],
  typed: [],
  details: {},
  quotation: null,
  player: null,
  fetchState: "done" as const,
});

/** Work that came in by the hundred waits behind what somebody is looking at. */
export const IN_BULK = 5;

/** The job that reads the page. One at a time for a resource. */
export const fetchJob = (id: string, team: string, at: Date, priority = 0): NewJob => ({
  id: newId(),
  kind: "resource.fetch",
  uniqueKey: `resource.fetch:${id}`,
  team,
  payload: { resource: id },
  priority,
  createdAt: at,
});
