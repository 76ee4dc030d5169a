import { call, forget, newId, type Pairing, type Problem, sendFile, store, stored, storedUnder } from "./api";
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
    await keepForLater(id, wish);
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
  if (saved.waits) await forget(WAITING + saved.id);
  else if (saved.placement) await call(pairing, "placements.remove", { placement: saved.placement });
  else if (saved.resource) await call(pairing, "tray.set", { resource: saved.resource, state: "away" });
}

/** What waits lies under a name of its own each, so that two who save at the same moment overwrite nothing. */
const WAITING = "waiting:";
const REFUSED = "refused:";
const MOST_REFUSED = 20;

/** What waits, the first first: ids of version 7 are in the order in which they were made. */
export async function waiting(): Promise<Wish[]> {
  return (await storedUnder<Wish>(WAITING)).map(([, wish]) => wish);
}

async function keepForLater(id: string, wish: Wish): Promise<void> {
  const size = JSON.stringify(await waiting()).length;
  // The browser gives an extension some megabytes; the address is worth more than the page's text.
  const kept = size + (wish.html?.length ?? 0) > MOST_WAITING ? { ...wish, html: undefined } : wish;
  await store({ [WAITING + id]: kept });
}

/** Sends what waited for a connection, in order; two that want to at once do so one after the other. @returns how many still wait */
export const sendWaiting = (pairing: Pairing): Promise<number> =>
  inTurn(async () => {
    await takeOver();
    for (const [key, wish] of await storedUnder<Wish>(WAITING)) {
      // Taken back in the meantime.
      if (!(await stored(key))) continue;
      try {
        const saved = await send(pairing, wish, key.slice(WAITING.length));
        // Taken back while it was on its way.
        if (!(await stored(key))) await takeBack(pairing, saved).catch(() => undefined);
      } catch (error) {
        const { status, words } = error as Problem;
        if (status === 0 || status >= 500) break;
        await store({
          [key.replace(WAITING, REFUSED)]: { title: wish.title, address: wish.address, words },
        });
        const refused = await storedUnder(REFUSED);
        await forget(...refused.slice(0, -MOST_REFUSED).map(([old]) => old));
      }
      await forget(key);
    }
    return (await waiting()).length;
  });

const inTurn = <T>(work: () => Promise<T>): Promise<T> =>
  typeof navigator !== "undefined" && navigator.locks
    ? (navigator.locks.request("hobbin-waiting", work) as Promise<T>)
    : work();

/** Until now all that waited lay in one list. */
async function takeOver(): Promise<void> {
  const list = await stored<{ id: string; wish: Wish }[]>("waiting");
  if (!list) return;
  await store(Object.fromEntries(list.map(({ id, wish }) => [WAITING + id, wish])));
  await forget("waiting");
}

/** The places things went to, the last first. */
export const recentPlaces = async (): Promise<Place[]> => (await stored<Place[]>("recent")) ?? [];

async function rememberPlace(place: Place): Promise<void> {
  const same = (one: Place) =>
    one.team === place.team && one.collection === place.collection && one.section === place.section;
  const recent = (await recentPlaces()).filter((one) => !same(one));
  await store({ recent: [place, ...recent].slice(0, 8) });
}
