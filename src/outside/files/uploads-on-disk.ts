import { mkdir, readdir, readFile, rename, rm, stat, writeFile } from "node:fs/promises";
import path from "node:path";
import { FileStore } from "@tus/file-store";
import { newId } from "../random";
import { settings } from "../settings";
import type { UploadPlace } from "./upload-place";

const folder = () => path.join(settings().files, "uploads");
const at = (name: string) => path.join(folder(), path.basename(name));

/** Uploads lie beside the stored files, so that every process on this disk sees them. */
export const ON_DISK: UploadPlace = {
  async datastore() {
    await mkdir(folder(), { recursive: true });
    return new FileStore({ directory: folder() });
  },
  told: (id) => readFile(at(`${id}.json`), "utf8").catch(() => null),
  length: async (id) => (await stat(at(id)).catch(() => null))?.size ?? null,
  onDisk: (id, work) => work(at(id)),
  note: (id) => readFile(at(`${id}.arrived`), "utf8").catch(() => null),
  async finish(id, note) {
    const part = at(`${id}.arrived.${newId()}`);
    await writeFile(part, note);
    await rename(part, at(`${id}.arrived`));
    await rm(at(id), { force: true });
  },
  async clearBefore(before) {
    for (const name of await readdir(folder()).catch(() => [])) {
      const found = await stat(at(name)).catch(() => null);
      if (found && found.mtime < before) await rm(at(name), { force: true });
    }
  },
};
