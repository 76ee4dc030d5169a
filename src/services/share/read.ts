import { hidingOf } from "@/data/queries/care";
import { shortCodesOf, lastEndedCode, sharedUp } from "@/data/queries/sharing";
import { audienceNow, doorOf } from "@/core/publish/opens";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { now } from "@/outside/clock";
import { A_DAY } from "./take-back";

class ReadShared {
  @Id() collection: string;
}

export const readShared = reading({
  name: "share.read",
  about:
    "For whom a collection is out and until when, under which address and short code, and by what it stands in.",
  input: ReadShared,
  allow: can.see("collection"),
  run: async ({ input, tx }) => {
    const at = now();
    const up = await sharedUp(tx, input.collection);
    const [own, ...more] = up;
    const short = (await shortCodesOf(tx, [own!.id], at)).get(own!.id);
    const outer = own!.awayAt ? null : doorOf(more, at);
    const through = outer && (outer.part !== null || outer.by.reach === "all") ? outer : null;
    return {
      audience: audienceNow(own!, at),
      reach: own!.reach,
      shows: own!.shows,
      until: own!.sharedUntil,
      code: audienceNow(own!, at) === "team" ? null : own!.code,
      short: short?.code ?? null,
      shortUntil: short?.until ?? null,
      /** Whether another address was given within the last day, so that the one before can be had again. */
      isReplaced: (await lastEndedCode(tx, own!.id, new Date(at.getTime() - A_DAY))) !== null,
      leftOut: own!.leftOut,
      /** While stewards hide it: since when, with which words, and what was answered. */
      hidden: own!.hiddenAt && {
        since: own!.hiddenAt,
        ...((await hidingOf(tx, own!.id)) ?? { words: "", answer: "" }),
      },
      /** What it stands in that is out with everything inside. */
      through: through && { id: through.by.id, title: through.by.title, code: through.by.code! },
    };
  },
});
