import { audienceNow } from "@/core/publish/opens";
import { sharedOfTeam, shortCodesOf } from "@/data/queries/sharing";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { now } from "@/outside/clock";

class ReadOut {
  @Id() team: string;
}

export const readOut = reading({
  name: "share.out",
  about:
    "Everything of a team that is out: for whom, since when and until when, under which address and code.",
  input: ReadOut,
  allow: can.see("team"),
  run: async ({ input, tx }) => {
    const at = now();
    const out = await sharedOfTeam(tx, input.team);
    const codes = await shortCodesOf(
      tx,
      out.map((one) => one.id),
      at,
    );
    return {
      out: out.map((one) => ({
        id: one.id,
        title: one.title,
        audience: one.audience,
        isOver: audienceNow({ ...one, hiddenAt: null }, at) === "team",
        isHidden: one.hiddenAt !== null,
        reach: one.reach,
        since: one.since,
        until: one.sharedUntil,
        code: one.code,
        short: codes.get(one.id)?.code ?? null,
        shortUntil: codes.get(one.id)?.until ?? null,
      })),
    };
  },
});
