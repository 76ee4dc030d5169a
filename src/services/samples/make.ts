import { keysAfter } from "@/core/order/place";
import { SAMPLE, sampleIdentity, sampleItems } from "@/core/sample/sample";
import { findCollection, lastPosition } from "@/data/queries/collections";
import { action } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";
import { identityHash } from "@/outside/hash";
import { newId } from "@/outside/random";
import { empty } from "../resources/blank";
import { findOrAddAll } from "../resources/find-or-add";

class MakeSample {
  @Id() team: string;
  /** Id for the collection; sent twice it is made once. */
  @Id() collection: string;
}

export const makeSample = action({
  name: "samples.make",
  about: "Makes a small made-up collection to try things on. It goes away again with `samples.remove`.",
  input: MakeSample,
  allow: can.arrange("team"),
  locks: ({ input }) => ({ team: true, collections: [input.collection] }),
  history: "bring a collection to try",
  run: async ({ input, scope, tx, at, add, set }) => {
    const { team, collection } = input;
    const there = await findCollection(tx, collection);
    if (there && there.team !== team) throw new Problem("id-taken");
    if (there) return { collection };
    const person = scope.person!;
    const times = { createdAt: at, updatedAt: at };
    const [position] = keysAfter(await lastPosition(tx, team, null), 1);
    const { title, description, sections } = SAMPLE;
    await add(
      "collection",
      { id: collection, team, parent: null, position: position!, title, description, ...times },
      { say: { title } },
    );
    const keys = keysAfter(null, sections.length);
    const rows = sections.map((one, i) => ({ id: newId(), title: one.title, position: keys[i]! }));
    await add(
      "section",
      rows.map((row) => ({ ...row, collection, createdAt: at })),
      { along: true },
    );
    const hashOf = (item: { title: string }) => identityHash(sampleIdentity(item));
    const found = await findOrAddAll(
      tx,
      set,
      { team, person },
      new Map(
        sampleItems().map((item) => [
          hashOf(item),
          (id) => ({
            ...empty(id),
            kind: item.kind,
            title: item.title,
            description: item.description,
            minutes: item.minutes,
            typed: ["title", "description", "kind"],
          }),
        ]),
      ),
    );
    const placed = sections.flatMap(({ items }, i) => {
      const spots = keysAfter(null, items.length);
      return items.map((item, n) => ({
        id: newId(),
        team,
        collection,
        section: rows[i]!.id,
        position: spots[n]!,
        resource: found.get(hashOf(item))!.id,
        heading: "",
        context: item.context,
        look: "item" as const,
        addedBy: person,
        ...times,
      }));
    });
    await add("placement", placed, { along: true });
    return { collection };
  },
});
