import { groupBy } from "@/core/list/group-by";
import { tagKey } from "@/core/tags/tag-name";
import {
  type FollowRow,
  followsOf,
  newestIn,
  type NewlyPublic,
  newlyOfSubjects,
  newlyOfTeams,
} from "@/data/queries/follows";
import { countNewInFeeds, feedsByHash, newInFeeds } from "@/data/queries/feeds";
import { type ListedRow, listedById, openCodes } from "@/data/queries/listings";
import { openPages } from "@/data/queries/person-pages";
import { withPages } from "@/data/queries/teams";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { now } from "@/outside/clock";
import { onPagesOf } from "../people/public-page";
import { foundNow } from "../shelves/find";
import { asCard } from "../shelves/shown";
import { feedSaid, newsOfFeeds } from "./in-feeds";
import { type News, OF_EACH, SHOWN } from "./news";

/** So much is looked through for what is shown. */
const LOOKED = 500;
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
    const whose = { person: scope.person!, team };
    const all = await followsOf(tx, whose);
    const of = (kind: FollowRow["kind"]) => all.filter((one) => one.kind === kind);
    const came = new Map<string, NewlyPublic[]>();
    const note = (follow: FollowRow, found: readonly NewlyPublic[]) =>
      came.set(
        follow.id,
        found.filter((one) => one.since > follow.seenAt),
      );
    const noteEach = (
      some: readonly FollowRow[],
      found: readonly NewlyPublic[],
      keyOf: (follow: FollowRow) => string,
    ) => {
      const byKey = groupBy(found, (each) => each.of);
      for (const one of some) note(one, byKey.get(keyOf(one)) ?? []);
    };
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
    noteEach(teams, ofTeams, (one) => one.what);
    const people = of("person");
    const ofPeople = await onPagesOf(
      tx,
      people.map((one) => one.what),
      at,
      { since: oldest(people), most: LOOKED },
    );
    noteEach(people, ofPeople, (one) => one.what);
    const subjects = of("subject");
    const keys = new Map(subjects.map((one) => [one.id, tagKey(one.what)]));
    const ofSubjects = await newlyOfSubjects(tx, [...new Set(keys.values())], oldest(subjects), at, LOOKED);
    noteEach(subjects, ofSubjects, (one) => keys.get(one.id)!);
    const searches = of("search").sort((a, b) => b.createdAt.getTime() - a.createdAt.getTime());
    for (const one of searches.slice(0, SEARCHES)) note(one, await foundNow(tx, one.what));
    const collections = of("collection");
    const newest = await newestIn(
      tx,
      collections.map((one) => one.what),
      at,
    );
    const fresh = collections.filter((one) => newest.has(one.what) && newest.get(one.what)! > one.seenAt);
    const feeds = await feedsByHash(
      tx,
      of("feed").map((one) => one.hash),
    );
    const inFeeds = feeds.size
      ? newsOfFeeds(await newInFeeds(tx, whose, LOOKED), await countNewInFeeds(tx, whose))
      : [];
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
    const pages = new Set([
      ...(
        await openPages(
          tx,
          people.map((one) => one.what),
        )
      ).keys(),
      ...(await withPages(
        tx,
        teams.map((one) => one.what),
      )),
    ]);
    return {
      follows: all.map((one) => ({
        ...{ id: one.id, kind: one.kind, what: one.what, name: one.name },
        code: one.kind === "collection" ? (open.get(one.what) ?? null) : null,
        /** Where the public page of a team or a person is read; null: it has none now. */
        page: pages.has(one.what) ? `/public/${one.kind === "person" ? "person/" : ""}${one.what}` : null,
        toTray: one.trayFrom !== null,
        feed: feedSaid(feeds.get(one.hash)),
      })),
      news: [...withNews.flatMap((one) => newsOf(one, came.get(one.id) ?? [], rows)), ...inFeeds],
    };
  },
});

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
      ...{ title: item.heading || item.title, context: item.context, about: "", addedAt: item.addedAt },
    }));
    return [{ follow: id, count: items.length, items: shown, collections: [] }];
  }
  const shown = came.flatMap((each) => {
    const row = rows.get(each.id);
    return row?.content ? [asCard({ ...row, content: row.content })] : [];
  });
  return shown.length ? [{ follow: id, count: came.length, items: [], collections: shown }] : [];
}
