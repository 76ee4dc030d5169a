import { readAddress } from "@/core/address/read-address";
import type { FeedDocument } from "@/core/feeds/entries";
import { feedsInPage } from "@/core/feeds/in-page";
import { sayProblem } from "@/core/page/facts";
import { reading } from "@/mechanism/action";
import { Name } from "@/mechanism/input";
import { within } from "@/mechanism/limits";
import { can } from "@/mechanism/policy";
import { fieldProblem, Problem } from "@/mechanism/problem";
import { now } from "@/outside/clock";
import { ADDRESS_WORDS } from "../capture/say-address";
import { askFeed, readAnswer, textOf } from "../feeds/ask";

/** Of each feed so many entries are shown, to choose by; so many of those a page names are looked into. */
const [SHOWN, LOOKED] = [3, 3];
/** Feeds are named in the head of a page; what follows is not looked through. */
const HEAD = 512 * 1024;

class FindFeeds {
  @Name("an address", 2_000) address: string;
}

export const findFeeds = reading({
  name: "follows.find-feeds",
  about:
    "Which feeds (Atom, RSS, JSON Feed) an address is or its page names, each with its latest entries; the page's own comes first. Nothing is kept.",
  input: FindFeeds,
  allow: can.beSignedIn(),
  run: async ({ input, scope }) => {
    if (!(await within("feedsLookedFor", scope.person!))) throw new Problem("too-many-searches");
    const read = readAddress(input.address);
    if (!read.ok) throw fieldProblem("address", "address-not-taken", ADDRESS_WORDS[read.problem]);
    const answer = await askFeed(read.address);
    if (!answer.ok) throw fieldProblem("address", "address-not-taken", sayProblem(answer.problem));
    const own = await readAnswer(answer, now());
    if (own) return { feeds: [shown(read.address, own)] };
    const named = feedsInPage(textOf(answer).slice(0, HEAD), answer.address);
    const looked = await Promise.all(
      named.map(async ({ address, title }, i) => {
        const found = i < LOOKED ? await askFeed(address) : null;
        const document = found?.ok ? await readAnswer(found, now()) : null;
        // One that is no feed when it is asked for is none.
        if (i < LOOKED && !document) return null;
        return document ? shown(address, document) : { address, title: title || address, latest: [] };
      }),
    );
    return { feeds: looked.filter((one) => one !== null) };
  },
});

const shown = (address: string, { title, entries }: FeedDocument) => ({
  address,
  title: title || new URL(address).host,
  latest: entries.slice(0, SHOWN).map((one) => one.title),
});
