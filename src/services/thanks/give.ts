import { findCollection } from "@/data/queries/collections";
import { addThanks, countThanks, findThanks, hasWordless } from "@/data/queries/thanks";
import { action } from "@/mechanism/action";
import { Id, MaybeId, MaybeText, Name } from "@/mechanism/input";
import { within } from "@/mechanism/limits";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";
import { requestAddress } from "@/outside/request-context";
import { tellPublishers } from "../notices/tell";
import { shownBehind } from "../reader/shown-behind";

class GiveThanks {
  @Name("the code of a collection", 24) code: string;
  /** A collection inside it; left out: the whole. */
  @MaybeId() part?: string;
  /** So that a request sent twice says it once. */
  @Id() thanks: string;
  @MaybeText(500) words?: string;
  @MaybeText(80) name?: string;
}

/** So much is kept of one collection. */
const MOST = 500;
const DAY = 86_400_000;

export const giveThanks = action({
  name: "thanks.give",
  about:
    "Says to those who made a collection that it helped, in a sentence or without one, without an account. Said without a word it stands there once a day, so that nothing is counted by it. Nothing is kept of where it came from.",
  input: GiveThanks,
  allow: can.ask(),
  counted: async ({ code }) => {
    const from = requestAddress();
    if (!from) return;
    if (!(await within("thanks", from)) || !(await within("thanksTo", code)))
      throw new Problem("too-many-thanks");
  },
  locks: null,
  history: null,
  run: async ({ input, tx, at, set }) => {
    const behind = await shownBehind(tx, input.code, at);
    const id = input.part ?? behind?.root;
    if (!behind || !id || !(id === behind.root || behind.parts.has(id))) throw new Problem("not-found");
    const there = await findThanks(tx, input.thanks);
    if (there && there.collection !== id) throw new Problem("id-taken");
    const [words, name] = [input.words?.trim() ?? "", input.name?.trim() ?? ""];
    const isKnown = there || (!words && !name && (await hasWordless(tx, id, new Date(at.getTime() - DAY))));
    if (isKnown) return { said: true };
    if ((await countThanks(tx, id)) >= MOST) throw new Problem("thanks-full");
    const { team } = (await findCollection(tx, id))!;
    await addThanks(tx, {
      ...{ id: input.thanks, team, collection: id, words, name, createdAt: at, awayAt: null },
    });
    await tellPublishers({ tx, at, set }, { team, collection: id, subject: id }, "helped");
    return { said: true };
  },
});
