import { kindsOfTeam } from "@/data/queries/collections";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class OfTeam {
  @Id() team: string;
}

export const readKinds = reading({
  name: "collections.kinds",
  about: "How many minutes of each kind every collection of a team holds by itself.",
  input: OfTeam,
  allow: can.see("team"),
  run: async ({ input, tx }) => ({
    collections: [...(await kindsOfTeam(tx, input.team))].map(([id, rows]) => ({
      id,
      kinds: rows.map(({ kind, minutes }) => ({ kind, minutes })),
    })),
  }),
});
