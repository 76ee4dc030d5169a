import { call, newId, type Pairing, type Problem, sendFile, store, stored } from "./api";
import type { Seen } from "./in-page";

/** Where something goes: the Tray of a team, a collection, or a section of it. */
export type Place = { team: string; collection?: string; section?: string; title: string };
export type Wish = {
  what: "page" | "passage" | "file" | "address";
  place: Place;
  title: string;
  address: string;
  description?: string;
  html?: string;
  picture?: string;
  tags?: string[];
  note?: string;
  selection?: Seen["selection"];
  /** A picture as data, for `file`. */
  data?: string;
};
export type Saved = {
  id: string;
  resource: string | null;
  placement: string | null;
  already: boolean;
  places: string[];
  waits: boolean;
};

type Waiting = { id: string; wish: Wish };
const MOST_WAITING = 7_000_000;

/**
 * Saves, and remembers the place as the last one. Without a connection it is kept and sent later; the ids are made
 * here, so that what was sent after all does not stand twice.
 */
export async function save(pairing: Pairing, wish: Wish, id = newId()): Promise<Saved> {
  await rememberPlace(wish.place);
  try {
    return await send(pairing, wish, id);
  } catch (error) {
    const problem = error as Problem;
    if (problem.status !== 0 && problem.status < 500) throw error;
    await keepForLater({ id, wish });
    return { id, resource: null, placement: null, already: false, places: [], waits: true };
  }
}

type Answer = {
  resource: { id: string };
  item?: { id: string };
  already: boolean;
  places: { title: string }[];
};

async function send(pairing: Pairing, wish: Wish, id: string): Promise<Saved> {
  const { team, collection, section } = wish.place;
  const spot = { team, ...(collection && { collection, placement: id }), ...(section && { section }) };
  const some = <T extends object>(fields: T) =>
    Object.fromEntries(Object.entries(fields).filter(([, value]) => value !== undefined && value !== ""));
  let answer: Answer;
  if (wish.what === "passage")
    answer = await call(pairing, "capture.note", {
      ...spot,
      text: wish.selection!.exact,
      source: wish.address,
      sourceTitle: wish.title,
      selector: { type: "TextQuoteSelector", ...wish.selection },
    });
  else if (wish.what === "file") {
    const content = await (await fetch(wish.data!)).blob();
    const ending = content.type === "image/png" ? "png" : content.type.split("/")[1]!.replace(/\W.*/, "");
    const upload = await sendFile(pairing, team, `${wish.title.slice(0, 80)}.${ending}`, content);
    answer = await call(pairing, "capture.file", { ...spot, upload, title: wish.title });
  } else if (wish.what === "address")
    answer = await call(pairing, "capture.address", { ...spot, address: wish.address, again: true });
  else
    answer = await call(pairing, "capture.page", {
      ...spot,
      address: wish.address,
      ...some({
        title: wish.title,
        description: wish.description,
        html: wish.html,
        picture: wish.picture,
        note: wish.note,
      }),
      tags: wish.tags ?? [],
    });
  if (wish.what !== "page" && wish.tags?.length)
    await call(pairing, "tags.add", { resource: answer.resource.id, tags: wish.tags });
  return {
    id,
    resource: answer.resource.id,
    placement: answer.item?.id ?? null,
    already: answer.already,
    places: answer.places.map((place) => place.title),
    waits: false,
  };
}

/** Takes back what was just saved: out of the collection, or put away from the Tray. */
export async function takeBack(pairing: Pairing, saved: Saved): Promise<void> {
  if (saved.waits) {
    const waiting = (await stored<Waiting[]>("waiting")) ?? [];
    await store({ waiting: waiting.filter((one) => one.id !== saved.id) });
  } else if (saved.placement) await call(pairing, "placements.remove", { placement: saved.placement });
  else if (saved.resource) await call(pairing, "tray.set", { resource: saved.resource, state: "away" });
}

async function keepForLater(one: Waiting): Promise<void> {
  const waiting = (await stored<Waiting[]>("waiting")) ?? [];
  const size = JSON.stringify(waiting).length;
  // The browser gives an extension some megabytes; the address is worth more than the page's text.
  const wish =
    size + (one.wish.html?.length ?? 0) > MOST_WAITING ? { ...one.wish, html: undefined } : one.wish;
  await store({ waiting: [...waiting.filter((other) => other.id !== one.id), { ...one, wish }] });
}

/** Sends what waited for a connection, in order. @returns how many still wait */
export async function sendWaiting(pairing: Pairing): Promise<number> {
  for (;;) {
    const [next, ...rest] = (await stored<Waiting[]>("waiting")) ?? [];
    if (!next) return 0;
    try {
      await send(pairing, next.wish, next.id);
    } catch (error) {
      const { status, words } = error as Problem;
      if (status === 0 || status >= 500) return rest.length + 1;
      const refused = (await stored<object[]>("refused")) ?? [];
      await store({
        refused: [...refused, { title: next.wish.title, address: next.wish.address, words }].slice(-20),
      });
    }
    await store({ waiting: rest });
  }
}

/** The places things went to, the last first. */
export const recentPlaces = async (): Promise<Place[]> => (await stored<Place[]>("recent")) ?? [];

async function rememberPlace(place: Place): Promise<void> {
  const same = (one: Place) =>
    one.team === place.team && one.collection === place.collection && one.section === place.section;
  const recent = (await recentPlaces()).filter((one) => !same(one));
  await store({ recent: [place, ...recent].slice(0, 8) });
}
