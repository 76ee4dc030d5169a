import { constants } from "node:fs";
import { copyFile, lstat, mkdir, readdir, readFile, readlink, symlink } from "node:fs/promises";
import path from "node:path";
import { ROOT } from "./project.mjs";
import { Stop } from "./say.mjs";

/** What is taken along whole, whatever of it is loaded. */
const WHOLE = [
  ...[
    "package.json",
    "LICENSE",
    "NOTICE",
    "next.config.mjs",
    "public",
    "assets",
    "build",
    ".next",
    "src/data/migrations",
  ],
  // Looked for by names that are put together at the start.
  "node_modules/next/dist/compiled/webpack",
];
/** Parts of these that only building, testing and looking for faults need. */
const LEFT =
  /^(\.next\/(cache|dev|diagnostics|trace|types)|build\/(bench|test|extension-test))(\/|$)|^(\.next\/server|node_modules)\/.*\.map$|^src\/data\/migrations\/meta\/\d+_snapshot\.json$/;

/**
 * Writes what runs into a folder: which files of the packages are loaded is found by following them from the programs of
 * the build (@vercel/nft), and for the pages by what Next has written down of them.
 * @param {string} folder a new or empty one
 * @returns {Promise<{ files: number, bytes: number }>}
 */
export async function writeRelease(folder) {
  if ((await readdir(folder).catch(() => [])).length) throw new Stop(`${folder} is not empty.`);
  const whole = (await Promise.all(WHOLE.map(within))).flat().filter((file) => !LEFT.test(file));
  const programs = [
    ...whole.filter((file) => /^build\/.*\.m?js$/.test(file)),
    "tools/run-built.mjs",
    // Read by name, as it is.
    "node_modules/next/dist/server/next.js",
  ];
  const { nodeFileTrace } = await import("@vercel/nft");
  const { fileList } = await nodeFileTrace(
    programs.map((file) => path.join(ROOT, file)),
    // A path that is put together takes its whole folder along, with what was built for other purposes.
    { base: ROOT, ignore: (file) => LEFT.test(file) },
  );
  // What each page loads is noted for this alone, and takes 18 MB.
  const runs = (file) => !LEFT.test(file) && !file.endsWith(".nft.json");
  const files = new Set([...whole, ...fileList, ...(await noted(whole))].filter(runs));
  let bytes = 0;
  for (const file of [...files].sort()) bytes += await take(file, folder);
  return { files: files.size, bytes };
}

/** All files in a folder of the project, or the file itself. */
async function within(name) {
  const found = await lstat(path.join(ROOT, name));
  if (!found.isDirectory()) return [name];
  const inside = await readdir(path.join(ROOT, name));
  return (await Promise.all(inside.map((one) => within(`${name}/${one}`)))).flat();
}

/** What Next has noted that its server and each page load. */
async function noted(whole) {
  const all = whole
    .filter((file) => file.endsWith(".nft.json"))
    .map(async (file) => {
      const { files } = JSON.parse(await readFile(path.join(ROOT, file), "utf8"));
      return files.map((one) => path.relative(ROOT, path.resolve(ROOT, path.dirname(file), one)));
    });
  return (await Promise.all(all)).flat().filter((file) => !file.startsWith(".."));
}

/** Copies a file, without room where the disk can; links as they are. @returns how many bytes it has */
async function take(file, folder) {
  const [from, to] = [path.join(ROOT, file), path.join(folder, file)];
  const found = await lstat(from).catch(() => null);
  if (!found || found.isDirectory()) return 0;
  await mkdir(path.dirname(to), { recursive: true });
  if (found.isSymbolicLink()) {
    await symlink(await readlink(from), to);
    return 0;
  }
  await copyFile(from, to, constants.COPYFILE_FICLONE);
  return found.size;
}
