import type { DeedKind } from "@/data/schema";
import type { Tx } from "@/data/database";
import { addDeed } from "@/data/queries/care";
import { findCollection } from "@/data/queries/collections";
import { newId } from "@/outside/random";

type Done = { kind: DeedKind; person: string | null; at: Date; collection?: string; words?: string };

/** Writes into the log of the stewards what was done, with what it was done to as it is called now. */
export async function noteDeed(tx: Tx, { kind, person, at, collection, words = "" }: Done): Promise<void> {
  const found = collection ? await findCollection(tx, collection) : null;
  await addDeed(tx, {
    ...{ id: newId(), at, kind, person, collection: collection ?? null, words },
    ...{ title: found?.title ?? "", teamName: found?.teamName ?? "" },
  });
}
