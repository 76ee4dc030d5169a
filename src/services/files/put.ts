import { titleOfFile } from "@/core/formats/file-name";
import { kindOfFile } from "@/core/page/file-facts";
import type { Tx } from "@/data/database";
import type { Sight } from "@/data/queries/guests";
import { addResourceFile, noteFile } from "@/data/queries/texts-and-files";
import type { ChangeSet } from "@/mechanism/change-set";
import { identityHash } from "@/outside/hash";
import { empty } from "../resources/blank";
import { findOrAdd } from "../resources/find-or-add";
import type { Arrived } from "./uploads";

/**
 * Puts a file into the catalogue, once by its content.
 * @param options.sight of a guest, what alone they see
 */
export async function putFile(
  tx: Tx,
  set: ChangeSet,
  file: Arrived,
  { title, sight }: { title?: string; sight?: Sight } = {},
): Promise<{ id: string; already: boolean }> {
  const { team, person, hash, bytes, type } = file;
  // A phone's HEIC picture is stored as JPEG, and is to open as one.
  const name = type === "image/jpeg" ? file.name.replace(/\.hei[cf]$/i, ".jpg") : file.name;
  const identity = identityHash(`file:${file.sent}`);
  const { id, known, already } = await findOrAdd(
    tx,
    set,
    { team, person, sight, hash: identity },
    (fresh) => ({
      ...empty(fresh),
      kind: kindOfFile(type) ?? "document",
      title: (title || titleOfFile(file.name)).slice(0, 500),
      typed: title ? ["title"] : [],
      fileName: name,
      fetchState: "waiting",
    }),
  );
  if (!known) {
    await noteFile(tx, { hash, bytes, type, createdAt: set.at });
    await addResourceFile(tx, { resource: id, team, hash, name, type, bytes, createdAt: set.at });
  }
  return { id, already };
}
