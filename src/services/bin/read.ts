import { binOf } from "@/data/queries/bin";
import { keepsOf } from "@/data/queries/log";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class ReadBin {
  @Id() team: string;
}

export const readBin = reading({
  name: "bin.read",
  about: "What lies in the bin of a team, latest first, and for how many days it stays.",
  input: ReadBin,
  allow: can.arrange("team"),
  run: async ({ input, tx }) => ({
    items: await binOf(tx, input.team),
    days: (await keepsOf(tx, input.team))!.bin,
  }),
});
