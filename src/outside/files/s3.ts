import { createWriteStream } from "node:fs";
import { mkdtemp, rm } from "node:fs/promises";
import os from "node:os";
import path from "node:path";
import { buffer } from "node:stream/consumers";
import { pipeline } from "node:stream/promises";
import { now } from "../clock";
import { newId } from "../random";
import { settings } from "../settings";
import { askS3, deleteS3, listS3, mustBe, putBytes } from "./s3-requests";
import { type FileStore, isHash, type Lying } from "./store";

/** As on a disk, so that one can be copied to the other. */
const keyOf = (hash: string) => `${hash.slice(0, 2)}/${hash}`;

/** What was written within the hour is young enough: it is not noted again that somebody wants it. */
const YOUNG = 3_600_000;
/** Folders a listing goes by. */
const FOLDERS = Array.from({ length: 256 }, (_, i) => i.toString(16).padStart(2, "0"));

/** Any S3 there is (Amazon S3 API, objects by path), as HOBBIN_S3 says. */
export const S3: FileStore = {
  async put(hash, content) {
    const key = keyOf(hash);
    const there = await askS3({ method: "HEAD", key });
    await there.body.dump();
    if (there.statusCode === 200) {
      const modified = Date.parse(String(there.headers["last-modified"]));
      if (now().getTime() - modified > YOUNG) await touch(key);
      return;
    }
    const answer = await askS3({ method: "PUT", key, body: { content, hash } });
    await mustBe(200, answer, "to store a file");
  },

  async open(hash, range) {
    const answer = await askS3({
      method: "GET",
      key: keyOf(hash),
      headers: range ? { range: `bytes=${range.start}-${range.end}` } : {},
    });
    const { statusCode, headers, body } = answer;
    if (statusCode === 404) {
      await body.dump();
      return null;
    }
    if (statusCode !== 206) await mustBe(200, answer, "to a file that was asked for", { keep: true });
    const whole = /\/(\d+)$/.exec(String(headers["content-range"] ?? ""))?.[1] ?? headers["content-length"];
    return { stream: body, bytes: Number(whole) };
  },

  async read(hash) {
    const opened = await S3.open(hash);
    return opened && buffer(opened.stream);
  },

  async onDisk(hash, work) {
    const opened = await S3.open(hash);
    if (!opened) return null;
    const folder = await mkdtemp(path.join(os.tmpdir(), "hobbin-file-"));
    try {
      const file = path.join(folder, hash);
      await pipeline(opened.stream, createWriteStream(file));
      return await work(file);
    } finally {
      await rm(folder, { recursive: true, force: true });
    }
  },

  /* Something is written and taken away again: there are buckets that can be read only. */
  async isReady() {
    const key = `ready/${newId()}`;
    return putBytes(key, Buffer.from("Hobbin"))
      .then(() => deleteS3(key))
      .then(
        () => true,
        () => false,
      );
  },

  async *lyingBefore(before) {
    for (const folder of FOLDERS)
      for await (const page of listS3(`${folder}/`)) {
        const some = page.flatMap(({ key, bytes, modified }): Lying[] => {
          const name = key.slice(3);
          const hash = name.slice(0, 64);
          return modified < before && isHash(hash)
            ? [{ folder, name, hash, whole: name === hash, bytes }]
            : [];
        });
        if (some.length) yield some;
      }
  },

  clear: ({ folder, name }) => deleteS3(`${folder}/${name}`),
};

/** An object that is copied onto itself is as young as a new one. */
async function touch(key: string): Promise<void> {
  const bucket = new URL(settings().s3).pathname;
  const headers = { "x-amz-copy-source": `${bucket}/${key}`, "x-amz-metadata-directive": "REPLACE" };
  await mustBe(200, await askS3({ method: "PUT", key, headers }), "to a file that is wanted again");
}
