import { Server } from "@tus/server";
import { fileName } from "@/core/formats/file-name";
import { within } from "@/mechanism/limits";
import { Problem } from "@/mechanism/problem";
import { typeOfFile } from "@/outside/documents/read-document";
import { adoptFile, headOf, storeFile, readStored } from "@/outside/files";
import { uploadPlace } from "@/outside/files/uploads";
import { cleanPicture } from "@/outside/pictures";
import { newId } from "@/outside/random";
import { heicInThread } from "@/outside/threads/in-thread";
import { actorOf } from "../accounts/actor-of-request";
import { beginUpload, mostBytes } from "./begin";

/** A file that has arrived whole, until it becomes a resource. */
export type Arrived = {
  person: string;
  team: string;
  name: string;
  /** Hash of what was sent: the same file twice is known by it. */
  sent: string;
  /** Hash, length and type of what is kept: a photo is turned upright and loses its place data. */
  hash: string;
  bytes: number;
  type: string;
};

/**
 * Where files arrive, by the tus protocol 1.0.0 (https://tus.io/protocols/resumable-upload): an upload that breaks off is
 * gone on with where it stopped, by whichever process gets the next part.
 */
async function makeServer(): Promise<Server> {
  return new Server({
    path: "/api/files",
    relativeLocation: true,
    datastore: await uploadPlace().datastore(),
    maxSize: mostBytes(),
    namingFunction: () => newId(),
    onUploadCreate: async (request, upload) => {
      const { team, collection, filename } = upload.metadata ?? {};
      const actor = await actorOf(request.headers);
      const bytes = upload.size ?? 0;
      await beginUpload.call(actor, { team, bytes, ...(collection && { collection }) }).catch(asTus);
      const sender = actor.person!.id;
      if (!(await within("files", sender)) || !(await within("megabytes", sender, Math.ceil(bytes / 1e6))))
        asTus(new Problem("too-many-files"));
      return { metadata: { team: team!, filename: fileName(filename ?? ""), person: actor.person!.id } };
    },
    onIncomingRequest: async (request, id) => {
      if (request.method === "POST" || request.method === "OPTIONS") return;
      const { person } = await actorOf(request.headers);
      const { metadata } = JSON.parse((await uploadPlace().told(id)) ?? "{}") as {
        metadata?: { person?: string };
      };
      // Whether it is not there or somebody else's is the same to whoever asks.
      if (!person || metadata?.person !== person.id)
        throw { status_code: 404, body: "There is no such upload.\n" };
    },
    onUploadFinish: async (_, upload) => {
      await finish(upload.id, upload.metadata as Meta).catch(asTus);
      return {};
    },
  });
}

type Meta = { team: string; filename: string; person: string };

/** Takes a file in that has arrived whole; whoever is killed in the middle has it done anew, and once. */
async function finish(id: string, { team, filename, person }: Meta): Promise<Arrived> {
  const place = uploadPlace();
  const taken = await place.onDisk(id, (file) => takeIn(file, filename));
  const arrived: Arrived = { person, team, name: filename, ...taken };
  await place.finish(id, JSON.stringify(arrived));
  return arrived;
}

/** The tus library wants its errors in a form of its own. */
function asTus(error: unknown): never {
  if (error instanceof Problem) throw { status_code: error.status, body: `${error.detail ?? error.kind}\n` };
  throw error;
}

/** Formats in which cameras write where a photo was taken and by which of them. */
const PHOTO = /^image\/(jpeg|png|webp|hei[cf]|tiff|avif)/;
/** A photo of more bytes is not opened. */
const LARGEST_PHOTO = 100_000_000;

/**
 * Takes a file into the store; of photos only the clean form.
 * @throws {Problem} picture-not-cleanable: a photo that cannot be opened would be given out with all that is in it
 */
export async function takeIn(file: string, name: string): Promise<Omit<Arrived, "person" | "team" | "name">> {
  const { hash: sent, bytes } = await adoptFile(file);
  const type = await typeOfFile(await headOf(sent), name);
  if (!type.startsWith("image/")) return { sent, hash: sent, bytes, type };
  const content = bytes > LARGEST_PHOTO ? null : await readStored(sent);
  const isHeic = /^image\/hei[cf]/.test(type);
  const jpeg = content && isHeic ? await heicInThread(content).catch(() => null) : null;
  const clean = content && (await cleanPicture(jpeg ?? content));
  if (!clean && PHOTO.test(type)) throw new Problem("picture-not-cleanable");
  if (!clean) return { sent, hash: sent, bytes, type };
  const hash = await storeFile(clean.content);
  return { sent, hash, bytes: clean.content.length, type: clean.type };
}

let server: Promise<Server> | undefined;

/** Every request to /api/files. */
export const handleUpload = async (request: Request): Promise<Response> =>
  (await (server ??= makeServer())).handleWeb(request);

/**
 * What has arrived under an upload's id; null when it is not whole yet, or somebody else's. One whose last byte came just
 * before its process ended is taken in now.
 * @param id of the upload
 * @param person who sent it
 * @throws {Problem} as `takeIn` does
 */
export async function arrived(id: string, person: string): Promise<Arrived | null> {
  const noted = async () => {
    const note = await uploadPlace().note(id);
    return note ? (JSON.parse(note) as Arrived) : null;
  };
  const found =
    (await noted()) ??
    (await finishLeft(id, person).catch(async (error: unknown) => {
      // Whoever took in the last byte may have been done a moment before.
      const done = await noted();
      if (!done) throw error;
      return done;
    }));
  return found?.person === person ? found : null;
}

async function finishLeft(id: string, person: string): Promise<Arrived | null> {
  const place = uploadPlace();
  const said = await place.told(id);
  const { size, metadata } = (said ? JSON.parse(said) : {}) as { size?: number; metadata?: Meta };
  if (!metadata || metadata.person !== person) return null;
  return (await place.length(id)) === size ? finish(id, metadata) : null;
}

/**
 * Clears away uploads nobody came back for within a day.
 * @param before what was touched last before goes
 */
export const clearUploads = (before: Date): Promise<void> => uploadPlace().clearBefore(before);
