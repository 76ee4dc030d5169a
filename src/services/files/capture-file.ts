import { eq } from "drizzle-orm";
import { titleOfFile } from "@/core/formats/file-name";
import { kindOfFile } from "@/core/page/read-file";
import type { Tx } from "@/data/database";
import { findByAddress } from "@/data/queries/resources";
import { resource, resourceFile } from "@/data/schema";
import { now } from "@/outside/clock";
import { identityHash } from "@/outside/hash";
import { newId } from "@/outside/random";
import { action } from "../action";
import { empty } from "../capture/blank";
import { land } from "../capture/land";
import { keepBlob } from "../capture/fill-resource";
import { Id, MaybeId, MaybeText } from "../input";
import { can } from "../policy";
import { Problem } from "../problem";
import { type Arrived, arrived } from "./uploads";

class CaptureFile {
  @Id() team: string;
  /** The last step of the address the upload was given. */
  @Id() upload: string;
  @MaybeText(500) title?: string;
  @MaybeId() collection?: string;
  @MaybeId() section?: string | null;
  @MaybeId() after?: string | null;
  @MaybeId() placement?: string;
}

export const captureFile = action({
  name: "capture.file",
  about: "Makes a resource of a file that has arrived at /api/files. The same content twice is one resource.",
  input: CaptureFile,
  allow: can.bring("team"),
  run: async ({ input, scope, tx, tell, did, later }) => {
    const file = await arrived(input.upload, scope.person!);
    if (!file || file.team !== input.team)
      throw new Problem("not-found", "This file has not arrived whole. Send the rest of it first.");
    const { id, already } = await putFile(tx, file, input.title);
    if (!already) later(fileJob(id, input.team));
    return land({ input, scope, tx, tell, did }, id, {
      title: input.title || titleOfFile(file.name),
      already,
    });
  },
});

/** Puts a file into the catalogue, once by its content. */
export async function putFile(
  tx: Tx,
  file: Arrived,
  title?: string,
): Promise<{ id: string; already: boolean }> {
  const hash = identityHash(`file:${file.sent}`);
  const known = await findByAddress(tx, file.team, hash);
  if (known) {
    if (known.deletedAt) await tx.update(resource).set({ deletedAt: null }).where(eq(resource.id, known.id));
    return { id: known.id, already: !known.deletedAt };
  }
  const id = newId();
  const at = now();
  // A phone's HEIC picture is kept as JPEG, and is to open as one.
  const name = file.type === "image/jpeg" ? file.name.replace(/\.hei[cf]$/i, ".jpg") : file.name;
  await keepBlob(tx, { hash: file.hash, bytes: file.bytes }, file.type);
  await tx.insert(resource).values({
    ...empty(id),
    kind: kindOfFile(file.type) ?? "document",
    title: (title || titleOfFile(file.name)).slice(0, 500),
    typed: title ? ["title"] : [],
    fileName: name,
    fetchState: "waiting",
    team: file.team,
    addressHash: hash,
    addedBy: file.person,
    createdAt: at,
    updatedAt: at,
  });
  await tx.insert(resourceFile).values({
    resource: id,
    team: file.team,
    hash: file.hash,
    name,
    type: file.type,
    bytes: file.bytes,
    createdAt: at,
  });
  return { id, already: false };
}

/** The job that reads what is in a file. */
export const fileJob = (id: string, team: string) => ({
  id: newId(),
  kind: "file.read",
  uniqueKey: `file.read:${id}`,
  team,
  payload: { resource: id },
  createdAt: now(),
});
