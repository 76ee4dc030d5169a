import { binOf } from "@/data/queries/bin";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class ReadBin {
  @Id() team: string;
}

export const readBin = reading({
  name: "bin.read",
  about: "What lies in the bin of a team, latest first. It stays for 30 days.",
  input: ReadBin,
  allow: can.arrange("team"),
  run: async ({ input, tx }) => ({ items: await binOf(tx, input.team) }),
});
