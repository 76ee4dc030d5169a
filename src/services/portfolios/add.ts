import { readAddress } from "@/core/address/read-address";
import { itemsById } from "@/data/queries/placements";
import { action } from "@/mechanism/action";
import { Id, Ids, MaybeId } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { fieldProblem } from "@/mechanism/problem";
import { countOf } from "@/mechanism/say-count";
import { addressHash } from "@/outside/hash";
import { newId } from "@/outside/random";
import { takeSpots } from "../placements/take-spots";
import { empty } from "../resources/blank";
import { findOrAddAll } from "../resources/find-or-add";
import { addressOf, codesIn, offered } from "./offered";

class AddToPortfolio {
  @Id() collection: string;
  /** Public collections of one's teams, in the order they shall stand in. */
  @Ids(100) chosen: string[];
  /** Where they go to; without it the end of the last section. */
  @MaybeId() section?: string | null;
}

export const addToPortfolio = action({
  name: "portfolios.add",
  about:
    "Puts public collections of one's teams into a portfolio, as items that lead to them. Those that stand in it already are passed over.",
  input: AddToPortfolio,
  allow: can.arrange("collection"),
  locks: ({ input }) => ({ collections: [input.collection] }),
  history: ({ changes }) => `put in ${countOf(changes, "placement", "a collection", "collections")}`,
  run: async ({ input, scope, tx, at, add, set }) => {
    const person = scope.person!;
    const team = scope.team!;
    const known = new Map((await offered(tx, person, input.collection, at)).map((one) => [one.id, one]));
    if (input.chosen.some((id) => !known.has(id)))
      throw fieldProblem(
        "chosen",
        "not-public",
        "One of these is not public any more, or not of a team of yours. Look again which ones are.",
      );
    const within = await codesIn(tx, input.collection);
    const fresh = [...new Set(input.chosen)]
      .map((id) => known.get(id)!)
      .filter((one) => !within.has(one.code))
      .map((one) => ({ ...one, read: readAddress(addressOf(one.code)) }))
      .flatMap(({ read, ...one }) => (read.ok ? [{ ...one, ...read, hash: addressHash(read.address) }] : []));
    const found = await findOrAddAll(
      tx,
      set,
      { team, person },
      new Map(
        fresh.map(({ hash, address, host, title, description, teamName }) => [
          hash,
          // What it is called there is known; nothing has to be fetched for it.
          (id) => ({ ...empty(id), address, host, title, description, siteName: teamName }),
        ]),
      ),
    );
    const { section, positions } = await takeSpots(tx, set, input.collection, input, [], fresh.length);
    const rows = fresh.map(({ hash }, i) => ({
      ...{ id: newId(), team, collection: input.collection, section, position: positions[i]! },
      ...{ resource: found.get(hash)!.id, heading: "", context: "", look: "item" as const },
      ...{ addedBy: person, createdAt: at, updatedAt: at },
    }));
    await add("placement", rows, { say: ({ resource }) => ({ resource }) });
    const ids = rows.map((row) => row.id);
    return { items: await itemsById(tx, input.collection, ids, []), section };
  },
});
