import { writeFeedList } from "@/core/feeds/of-list";
import { feedsByHash } from "@/data/queries/feeds";
import { followsOf } from "@/data/queries/follows";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { now } from "@/outside/clock";

class ListFollowed {
  @Id() team: string;
}

export const listFeeds = reading({
  name: "follows.list",
  about: "The feeds one follows in a team, as a list other readers take (OPML 2.0).",
  input: ListFollowed,
  allow: can.see("team"),
  run: async ({ input: { team }, scope, tx }) => {
    const all = (await followsOf(tx, { person: scope.person!, team })).filter(({ kind }) => kind === "feed");
    const feeds = await feedsByHash(
      tx,
      all.map((one) => one.hash),
    );
    const opml = writeFeedList(
      all.map(({ what, name, hash }) => {
        const feed = feeds.get(hash);
        return { address: what, title: feed?.title || name, home: feed?.home ?? "" };
      }),
      now(),
    );
    return { opml };
  },
});
