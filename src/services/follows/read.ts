import type { Kind } from "@/core/page/facts";
import { tagKey } from "@/core/tags/tag-name";
import {
  type FollowRow,
  followsOf,
  newestIn,
  type NewlyPublic,
  newlyOfSubjects,
  newlyOfTeams,
} from "@/data/queries/follows";
import { type ListedRow, listedById, openCodes } from "@/data/queries/listings";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { now } from "@/outside/clock";
import { foundNow } from "../shelves/find";
import { asCard } from "../shelves/shown";

/** So many of what has news are shown with it, so much of each; so much is looked through for it. */
const [SHOWN, OF_EACH, LOOKED] = [30, 10, 500];
/** So many searches are made at a time: those followed last. */
const SEARCHES = 20;

class ReadFollowed {
  @Id() team: string;
}

export const readFollowed = reading({
  name: "follows.read",
  about:
    "What one follows in a team, with what came there since one last looked: items of collections, and collections that were made public. What is public no more says so, and tells nothing.",
  input: ReadFollowed,
  allow: can.see("team"),
  run: async ({ input: { team }, scope, tx }) => {
    const at = now();
    const all = await followsOf(tx, { person: scope.person!, team });
    const of = (kind: FollowRow["kind"]) => all.filter((one) => one.kind === kind);
    const came = new Map<string, NewlyPublic[]>();
    const note = (follow: FollowRow, found: readonly NewlyPublic[]) =>
      came.set(
        follow.id,
        found.filter((one) => one.since > follow.seenAt),
      );
    const oldest = (some: readonly FollowRow[]) =>
      new Date(Math.min(at.getTime(), ...some.map((one) => one.seenAt.getTime())));
    const teams = of("team");
    const ofTeams = await newlyOfTeams(
      tx,
      teams.map((one) => one.what),
      oldest(teams),
      at,
      LOOKED,
    );
    for (const one of teams)
      note(
        one,
        ofTeams.filter((each) => each.of === one.what),
      );
    const subjects = of("subject");
    const keys = new Map(subjects.map((one) => [one.id, tagKey(one.what)]));
    const ofSubjects = await newlyOfSubjects(tx, [...new Set(keys.values())], oldest(subjects), at, LOOKED);
    for (const one of subjects)
      note(
        one,
        ofSubjects.filter((each) => each.of === keys.get(one.id)),
      );
    const searches = of("search").sort((a, b) => b.createdAt.getTime() - a.createdAt.getTime());
    for (const one of searches.slice(0, SEARCHES)) note(one, await foundNow(tx, one.what));
    const collections = of("collection");
    const newest = await newestIn(
      tx,
      collections.map((one) => one.what),
      at,
    );
    const fresh = collections.filter((one) => newest.has(one.what) && newest.get(one.what)! > one.seenAt);
    const withNews = [...all.filter((one) => came.get(one.id)?.length), ...fresh].slice(0, SHOWN);
    const ids = withNews.flatMap((one) =>
      one.kind === "collection"
        ? [one.what]
        : came
            .get(one.id)!
            .slice(0, OF_EACH)
            .map((each) => each.id),
    );
    const rows = await listedById(tx, [...new Set(ids)], at);
    const open = await openCodes(
      tx,
      collections.map((one) => one.what),
      at,
    );
    return {
      follows: all.map((one) => ({
        ...{ id: one.id, kind: one.kind, what: one.what, name: one.name },
        code: one.kind === "collection" ? (open.get(one.what) ?? null) : null,
      })),
      news: withNews.flatMap((one) => newsOf(one, came.get(one.id) ?? [], rows)),
    };
  },
});

/** What came in one thing that is followed: items of a collection, or collections. */
type News = {
  follow: string;
  /** How many came; not all of them are here. */
  count: number;
  items: {
    id: string;
    from: string;
    kind: Kind;
    address: string;
    minutes: number | null;
    title: string;
    context: string;
    addedAt: string;
  }[];
  collections: ReturnType<typeof asCard>[];
};

function newsOf(
  { id, kind, what, seenAt }: FollowRow,
  came: readonly NewlyPublic[],
  rows: ReadonlyMap<string, ListedRow>,
): News[] {
  if (kind === "collection") {
    const row = rows.get(what);
    const items = (row?.content?.items ?? [])
      .filter((item) => item.id && new Date(item.addedAt) > seenAt)
      .sort((a, b) => (a.addedAt < b.addedAt ? 1 : -1));
    if (!row || !items.length) return [];
    const shown = items.slice(0, OF_EACH).map((item) => ({
      ...{ id: item.id!, from: row.id, kind: item.kind, address: item.address, minutes: item.minutes },
      ...{ title: item.heading || item.title, context: item.context, addedAt: item.addedAt },
    }));
    return [{ follow: id, count: items.length, items: shown, collections: [] }];
  }
  const shown = came.flatMap((each) => {
    const row = rows.get(each.id);
    return row?.content ? [asCard({ ...row, content: row.content })] : [];
  });
  return shown.length ? [{ follow: id, count: came.length, items: [], collections: shown }] : [];
}
