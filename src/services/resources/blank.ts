import type { TextPicture } from "@/core/page/text-pictures";
import { BULK, type NewJob } from "@/data/queries/jobs";
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

/** A job about one resource; while one waits, another of its kind is the same. */
const jobOf = (kind: string, id: string, team: string, createdAt: Date, more: object = {}): NewJob => ({
  id: newId(),
  kind,
  uniqueKey: `${kind}:${id}`,
  team,
  payload: { resource: id, ...more },
  createdAt,
});

/** The job that reads the page. */
export const fetchJob = (id: string, team: string, at: Date, priority = 0): NewJob => ({
  ...jobOf("resource.fetch", id, team, at),
  priority,
});

/** The job that reads what is in a file. */
export const fileJob = (id: string, team: string, at: Date): NewJob => jobOf("file.read", id, team, at);

/** The job that fetches the picture at an address. */
export const pictureJob = (id: string, team: string, address: string, at: Date): NewJob =>
  jobOf("picture.fetch", id, team, at, { address });

/** The job that fetches the pictures of a text and keeps them with it. */
export const textPicturesJob = (
  id: string,
  team: string,
  of: { number: number; pictures: TextPicture[] },
  at: Date,
): NewJob => ({
  ...jobOf("text.pictures", id, team, at, of),
  priority: BULK,
  // Those of another copy are others.
  uniqueKey: `text.pictures:${id}:${of.number}`,
});
