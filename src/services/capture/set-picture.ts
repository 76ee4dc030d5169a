import { eq } from "drizzle-orm";
import { writeEvents } from "@/data/queries/events";
import { lockResource, touchCollectionsOf } from "@/data/queries/resources";
import { resource } from "@/data/schema";
import { transact } from "@/data/transaction";
import { now } from "@/outside/clock";
import { signal } from "@/outside/signals";
import { asEvent, database } from "../action";
import { keepBlob, type Picture } from "./fill-resource";

/** Gives a resource the picture somebody chose; no later fetch replaces it. */
export async function setPicture(id: string, picture: Picture): Promise<void> {
  await transact(database(), async (tx) => {
    const row = await lockResource(tx, id);
    if (!row) return;
    await keepBlob(tx, picture, "image/webp");
    await tx
      .update(resource)
      .set({
        pictureHash: picture.hash,
        typed: [...new Set([...row.typed, "pictureHash"])],
        updatedAt: now(),
      })
      .where(eq(resource.id, id));
    await touchCollectionsOf(tx, [id], now());
    await writeEvents(tx, [
      asEvent({ subject: id, data: { title: row.title } }, row.team, null, "resources.filled"),
    ]);
  });
  signal("events");
}
