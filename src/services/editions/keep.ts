import { withInside, filesOf, itemsIn, contentBytes } from "@/core/editions/content";
import { insideOf } from "@/core/list/tree-moves";
import { collectionTree, lockCollections } from "@/data/queries/collections";
import { addEdition, lastNumber, newestEdition } from "@/data/queries/editions";
import { action } from "@/mechanism/action";
import { Id, MaybeText } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { storeFile } from "@/outside/files";
import { newId } from "@/outside/random";
import { contentOf } from "./stored-content";
import { contentNow } from "./content-now";

class KeepEdition {
  @Id() collection: string;
  /** What is new in it, in a sentence. */
  @MaybeText(300) words?: string;
}

export const keepEdition = action({
  name: "editions.keep",
  about:
    "Keeps a collection as its readers see it now, numbered and dated, with its pictures, files and reading copies. When nothing has changed since the newest edition, that one is the answer.",
  input: KeepEdition,
  allow: can.publish("collection"),
  // The tree; what of it stands inside is locked together, in its order.
  locks: () => ({ team: true }),
  // It stays; readers can be kept from it.
  history: null,
  run: async ({ input, scope, tx, at, emit }) => {
    const id = input.collection;
    // So that what is read for it stands there until the end.
    const inside = insideOf(await collectionTree(tx, scope.team!), id);
    await lockCollections(tx, [...inside]);
    const newest = await newestEdition(tx, id, true);
    const before = newest && (await contentOf(newest.digest));
    const kept = await contentNow(tx, id, at, { before });
    const digest = await storeFile(contentBytes(kept));
    if (newest?.digest === digest) return { number: newest.number!, isNew: false };
    const number = (await lastNumber(tx, id)) + 1;
    const items = withInside(kept.collection).flatMap(itemsIn);
    await addEdition(
      tx,
      {
        ...{ id: newId(), collection: id, number, digest, person: scope.person!, createdAt: at },
        words: input.words?.trim() ?? "",
        items: items.filter((item) => item.look === "item").length,
      },
      filesOf(kept),
    );
    emit({ verb: "editions.keep", subject: id, collection: id, data: { number } });
    return { number, isNew: true };
  },
});
