import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { now } from "@/outside/clock";
import { codesIn, offered } from "./offered";

class ReadPortfolio {
  @Id() collection: string;
}

export const readPortfolio = reading({
  name: "portfolios.read",
  about: "The public collections of all one's teams, and which of them stand in a portfolio.",
  input: ReadPortfolio,
  allow: can.see("collection"),
  run: async ({ input, scope, tx }) => {
    const within = await codesIn(tx, input.collection);
    const all = scope.person ? await offered(tx, scope.person, input.collection, now()) : [];
    return {
      collections: all.map(({ id, title, teamName, code, updatedAt }) => ({
        ...{ id, title, teamName, updatedAt },
        isIn: within.has(code),
      })),
    };
  },
});
