import { keysAfter } from "@/core/order/place";
import { USES, type Use } from "@/core/publish/model";
import { missingSections } from "@/core/uses/templates";
import { orderOfSections } from "@/data/queries/order";
import { sectionsOf } from "@/data/queries/collections";
import { action } from "@/mechanism/action";
import { Id, OneOf } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { newId } from "@/outside/random";

class UseCollection {
  @Id() collection: string;
  /** Empty: as a collection, and no more. */
  @OneOf([...USES, ""]) use: Use | "";
}

export const useCollection = action({
  name: "collections.use",
  about:
    "Uses a collection as a newsletter, a lesson or a portfolio: it gets the sections such a one begins with, where it has none of that name, behind its own.",
  input: UseCollection,
  allow: can.arrange("collection"),
  locks: ({ input }) => ({ collections: [input.collection] }),
  history: ({ input }) => (input.use ? `use it as a ${input.use}` : "use it as a collection"),
  run: async ({ input, tx, locked, at, add, change }) => {
    const before = locked.collection(input.collection);
    const use = input.use || null;
    await change("collection", before, { use });
    if (use) {
      const there = await sectionsOf(tx, before.id);
      const missing = missingSections(
        use,
        there.map((section) => section.title),
      );
      const last = (await orderOfSections(tx, before.id)).at(-1)?.position ?? null;
      const keys = keysAfter(last, missing.length);
      await add(
        "section",
        missing.map(({ title, minutes = null }, i) => ({
          ...{ id: newId(), collection: before.id, title, minutes, position: keys[i]!, createdAt: at },
        })),
      );
    }
    return { collection: { id: before.id, use } };
  },
});
