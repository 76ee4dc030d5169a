import { constants, createReadStream } from "node:fs";
import {
  access,
  copyFile,
  link,
  mkdir,
  readdir,
  readFile,
  rename,
  rm,
  stat,
  utimes,
  writeFile,
} from "node:fs/promises";
import path from "node:path";
import { newId } from "../random";
import { settings } from "../settings";
import { type FileStore, isHash, type Lying } from "./store";

/** Where a file of this content lies. Two letters a folder, so that no folder grows too full. */
const place = (hash: string) => path.join(settings().files, hash.slice(0, 2), hash);

/** The folder HOBBIN_FILES. */
export const DISK: FileStore = {
  async put(hash, content) {
    const target = place(hash);
    const at = new Date();
    if (
      await utimes(target, at, at).then(
        () => true,
        () => false,
      )
    )
      return;
    await mkdir(path.dirname(target), { recursive: true });
    // It gets its name only when it is whole.
    const part = `${target}.${newId()}`;
    try {
      if ("bytes" in content) await writeFile(part, content.bytes);
      // The same file under another name; but the store may lie on another disk.
      else await link(content.file, part).catch(() => copyFile(content.file, part));
      await rename(part, target);
    } catch (error) {
      // On a full disk what was written of it is in the way of everything else.
      await rm(part, { force: true });
      throw error;
    }
  },

  async open(hash, range) {
    const found = await stat(place(hash)).catch(() => null);
    return found ? { stream: createReadStream(place(hash), range), bytes: found.size } : null;
  },

  read: (hash) => readFile(place(hash)).catch(() => null),

  async onDisk(hash, work) {
    const found = await stat(place(hash)).catch(() => null);
    return found ? work(place(hash)) : null;
  },

  isReady: () =>
    mkdir(settings().files, { recursive: true })
      .then(() => access(settings().files, constants.W_OK))
      .then(
        () => true,
        () => false,
      ),

  /* Folder by folder, a few hundredths of it at once. */
  async *lyingBefore(before) {
    const names = await readdir(settings().files).catch(() => []);
    for (const folder of names.filter((name) => /^[0-9a-f]{2}$/.test(name)).sort()) {
      const some: Lying[] = [];
      for (const name of await readdir(path.join(settings().files, folder)).catch(() => [])) {
        const found = await stat(path.join(settings().files, folder, name)).catch(() => null);
        const hash = name.slice(0, 64);
        if (found?.isFile() && found.mtime < before && isHash(hash))
          some.push({ folder, name, hash, whole: name === hash, bytes: found.size });
      }
      if (some.length) yield some;
    }
  },

  clear: ({ folder, name }) => rm(path.join(settings().files, folder, name), { force: true }),
};
