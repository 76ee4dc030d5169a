import { createHash } from "node:crypto";
import { createReadStream, createWriteStream } from "node:fs";
import { mkdtemp, rm, stat } from "node:fs/promises";
import os from "node:os";
import path from "node:path";
import type { Readable } from "node:stream";
import { text } from "node:stream/consumers";
import { pipeline } from "node:stream/promises";
import { DataStore, ERRORS, Upload } from "@tus/server";
import { askS3, deleteS3, type Listed, listS3, mustBe, putBytes } from "./s3-requests";
import type { UploadPlace } from "./upload-place";

const told = (id: string) => `uploads/${path.basename(id)}.json`;
const noted = (id: string) => `uploads/${path.basename(id)}.arrived`;
/** The parts of an upload, each by the byte it begins with, written so that they are listed in order. */
const parts = (id: string) => `uploads/${path.basename(id)}/`;
const DIGITS = 15;

/**
 * Uploads as objects of the bucket, one for each request that brought some of it: whichever process gets the next part,
 * on whichever machine, finds those before it.
 */
export const IN_S3: UploadPlace = {
  datastore: async () => new PartStore(),
  told: (id) => textOf(told(id)),
  length: async (id) => {
    const found = await partsOf(id);
    return found.length ? lengthOf(found) : null;
  },
  note: (id) => textOf(noted(id)),
  async onDisk(id, work) {
    return inFolder(async (folder) => {
      const file = path.join(folder, "whole");
      for (const { key } of await partsOf(id)) {
        const answer = await askS3({ method: "GET", key });
        await mustBe(200, answer, "to a part of an upload", { keep: true });
        await pipeline(answer.body, createWriteStream(file, { flags: "a" }));
      }
      return work(file);
    });
  },
  async finish(id, note) {
    await putBytes(noted(id), Buffer.from(note));
    for await (const page of listS3(parts(id))) for (const { key } of page) await deleteS3(key);
  },
  async clearBefore(before) {
    for await (const page of listS3("uploads/"))
      for (const { key, modified } of page) if (modified < before) await deleteS3(key);
  },
};

async function textOf(key: string): Promise<string | null> {
  const answer = await askS3({ method: "GET", key });
  if (answer.statusCode === 200) return text(answer.body);
  await answer.body.dump();
  return null;
}

/**
 * The parts that follow one another without a gap. Two requests that brought the same bytes at once left parts that lie
 * over one another; what does not begin where another ends is left out, and sent again.
 */
async function partsOf(id: string): Promise<Listed[]> {
  const found: Listed[] = [];
  let end = 0;
  for await (const page of listS3(parts(id)))
    for (const part of page) {
      if (Number(part.key.slice(-DIGITS)) !== end) continue;
      found.push(part);
      end += part.bytes;
    }
  return found;
}
const lengthOf = (found: readonly Listed[]) => found.reduce((sum, { bytes }) => sum + bytes, 0);

/** A folder of this machine that is gone again afterwards. */
async function inFolder<T>(work: (folder: string) => Promise<T>): Promise<T> {
  const folder = await mkdtemp(path.join(os.tmpdir(), "hobbin-upload-"));
  try {
    return await work(folder);
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
}

/** What the library for uploads asks of a store (tus 1.0.0: core, creation, termination). */
class PartStore extends DataStore {
  override extensions = ["creation", "creation-with-upload", "termination"];

  override async create(upload: Upload): Promise<Upload> {
    const { id, size, metadata, creation_date } = upload;
    await putBytes(told(id), Buffer.from(JSON.stringify({ id, size, metadata, creation_date })));
    return upload;
  }

  override async getUpload(id: string): Promise<Upload> {
    const found = await textOf(told(id));
    if (!found) throw ERRORS.FILE_NOT_FOUND;
    const { size, metadata, creation_date } = JSON.parse(found) as Upload;
    return new Upload({ id, size, metadata, creation_date, offset: lengthOf(await partsOf(id)) });
  }

  /** A part is an object once it is whole, or broken off: what came of it until then is not sent again. */
  override async write(stream: Readable, id: string, offset: number): Promise<number> {
    return inFolder(async (folder) => {
      const file = path.join(folder, "part");
      const broken = await pipeline(stream, createWriteStream(file)).then(
        () => null,
        (error: unknown) => error ?? new Error("the request broke off"),
      );
      const length = (await stat(file).catch(() => null))?.size ?? 0;
      if (length) {
        const hash = createHash("sha256");
        await pipeline(createReadStream(file), hash);
        const key = `${parts(id)}${String(offset).padStart(DIGITS, "0")}`;
        const body = { content: { file, length }, hash: hash.digest("hex") };
        await mustBe(200, await askS3({ method: "PUT", key, body }), "to a part of an upload");
      }
      if (broken) throw ERRORS.FILE_WRITE_ERROR;
      return offset + length;
    });
  }

  override async remove(id: string): Promise<void> {
    await IN_S3.finish(id, "");
    await deleteS3(noted(id));
    await deleteS3(told(id));
  }
}
