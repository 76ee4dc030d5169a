import { hear, type Named, ownChanges } from "@/core/list/own-changes";

/** Items read again at once. */
const MOST = 200;

/** A list as far as it has been read; `next` is where it goes on, null at its end. */
export type Kept<I, Next> = { items: I[]; next: Next | null };
type Ways<I, Next> = {
  shown: () => Kept<I, Next>;
  show: (kept: Kept<I, Next>) => void;
  /** A page of the list, from its beginning or from where it goes on. */
  page: (after: Next | null) => Promise<Kept<I, Next>>;
  /** The named items, and those of the named resources, as far as they are there. */
  some: (ids: string[], resources: string[]) => Promise<I[]>;
  /** Whether anything done here may not have arrived yet. */
  isUnderWay: () => boolean;
  /** Resolves when everything done here has been answered. */
  settled: () => Promise<void>;
};

/**
 * Keeps a list as it is on the server, whatever order things arrive in. Only one reading goes at a time: of two, the
 * older might be answered last, and would stay. What was done here shows at once and no answer takes it back; what an
 * answer could not say because of that is read again once it has arrived.
 */
export function itemReadings<I extends Named & { resource: Named }, Next>(ways: Ways<I, Next>) {
  const own = ownChanges<I>();
  let turn: Promise<unknown> = Promise.resolve();
  const inTurn = <T>(read: () => Promise<T>): Promise<T> => {
    const answer = turn.then(read);
    turn = answer.catch(() => undefined);
    return answer;
  };

  /** Shows what was heard. What had to stay as it is here is read again. */
  const take = (heard: I[], asked: string[] | "all", next: Next | null, isLater: (id: string) => boolean) => {
    const { items } = ways.shown();
    ways.show({ items: hear(items, heard, asked, isLater), next });
    const about = [...heard.map((item) => item.id), ...(asked === "all" ? items.map(({ id }) => id) : asked)];
    const held = [...new Set(about)].filter(isLater);
    if (held.length)
      void ways
        .settled()
        .then(() => renew(held, []))
        .catch(whole)
        .catch(() => undefined);
  };

  /** Changes the list here, before the server has answered. */
  const change = (how: (items: I[]) => I[]): void => {
    const kept = ways.shown();
    const items = how(kept.items);
    own.note(kept.items, items);
    ways.show({ ...kept, items });
  };

  /** Reads the page after the last one. */
  const more = (): Promise<void> =>
    inTurn(async () => {
      const { next } = ways.shown();
      if (next === null) return;
      const isLater = own.asking(ways.isUnderWay());
      const page = await ways.page(next);
      take(page.items, [], page.next, isLater);
    });

  /** A reading of the whole that has not begun: it will know everything that happens until then. */
  let waiting: Promise<void> | null = null;
  /** Reads the list as a whole, and shows it as a whole: one that is short for a moment throws everybody to its end. */
  const whole = (): Promise<void> =>
    (waiting ??= ways.settled().then(() =>
      inTurn(async () => {
        waiting = null;
        const isLater = own.asking(ways.isUnderWay());
        let page = await ways.page(null);
        const items = [...page.items];
        while (page.next !== null) {
          page = await ways.page(page.next);
          items.push(...page.items);
        }
        take(items, "all", null, isLater);
      }),
    ));

  const asked = { ids: new Set<string>(), resources: new Set<string>() };
  /** Reads again what is said to have changed: these items, and those of these resources that are here. */
  const renew = (ids: string[], resources: string[]): Promise<void> => {
    for (const id of ids) asked.ids.add(id);
    for (const id of resources) asked.resources.add(id);
    return inTurn(async () => {
      const wanted = [...asked.ids];
      const here = new Set(ways.shown().items.map((item) => item.resource.id));
      const known = [...asked.resources].filter((id) => here.has(id));
      asked.ids.clear();
      asked.resources.clear();
      for (let i = 0; i < Math.max(wanted.length, known.length); i += MOST) {
        const some = wanted.slice(i, i + MOST);
        const isLater = own.asking(ways.isUnderWay());
        const heard = await ways.some(some, known.slice(i, i + MOST));
        take(heard, some, ways.shown().next, isLater);
      }
    });
  };

  return { change, more, whole, renew };
}
