import { lockResource } from "@/data/queries/resources";
import { noteFile } from "@/data/queries/texts-and-files";
import { changingByItself } from "@/mechanism/changing";
import type { Picture } from "./fill";

/** Gives a resource the picture somebody chose; no later fetch replaces it. */
export const setPicture = (id: string, picture: Picture): Promise<void> =>
  changingByItself(async (tx, begin) => {
    const row = await lockResource(tx, id);
    if (!row) return;
    const set = begin({ team: row.team, person: null });
    await noteFile(tx, { ...picture, type: "image/webp", createdAt: set.at });
    const fields = { pictureHash: picture.hash, typed: [...new Set([...row.typed, "pictureHash"])] };
    await set.change("resource", row, fields, { verb: "resources.filled", say: { title: row.title } });
  });
