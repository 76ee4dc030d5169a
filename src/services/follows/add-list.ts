import { feedsOfList } from "@/core/feeds/of-list";
import { countFollows, followsOf } from "@/data/queries/follows";
import { action } from "@/mechanism/action";
import { Id, Name } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { fieldProblem } from "@/mechanism/problem";
import { MOST } from "./add";
import { followFeeds, listedAddress } from "./follow-feeds";
import { followHash } from "./follow-hash";

/** Longer than a list of a thousand feeds. */
const LONGEST = 1_000_000;

class AddList {
  @Id() team: string;
  /** A list of feeds: OPML 2.0. */
  @Name("the content of a list", LONGEST) opml: string;
}

export const addListOfFeeds = action({
  name: "follows.add-list",
  about:
    "Follows all feeds of a list (OPML), as far as they are not followed already and there is room; says how many were added, known and left out.",
  input: AddList,
  allow: can.see("team"),
  locks: null,
  history: null,
  run: async ({ input: { team, opml }, scope, tx, set }) => {
    const listed = feedsOfList(opml, MOST);
    if (!listed) throw fieldProblem("opml", "not-a-list-of-feeds");
    const whose = { person: scope.person!, team };
    const known = new Set((await followsOf(tx, whose)).map((one) => one.hash));
    const read = listed.flatMap(({ address, title }) => {
      const web = listedAddress(address);
      return web ? [{ address: web, title }] : [];
    });
    const fresh = read.filter(({ address }) => {
      const hash = followHash("feed", address);
      return !known.has(hash) && known.add(hash);
    });
    const room = Math.max(0, MOST - (await countFollows(tx, whose)));
    const taken = fresh.slice(0, room);
    if (taken.length) await followFeeds({ tx, set }, whose, taken);
    return {
      added: taken.length,
      known: read.length - fresh.length,
      left: listed.length - read.length + fresh.length - taken.length,
    };
  },
});
