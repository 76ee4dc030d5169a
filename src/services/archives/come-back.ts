import { createWriteStream } from "node:fs";
import { mkdtemp, rm, stat } from "node:fs/promises";
import os from "node:os";
import path from "node:path";
import { pipeline } from "node:stream/promises";
import { broughtBack, isMinted, type Mint, mintedId } from "@/core/archive/minted-ids";
import { exchangeIds, readLocalId } from "@/core/archive/local-ids";
import { isStyleId } from "@/core/cite/styles";
import { contentBytes, type EditionContent, readContent } from "@/core/editions/content";
import {
  addNames,
  type ArchiveImportRow,
  dropEmptyTeam,
  findArchiveImport,
  loadRows,
  noteLoaded,
  setArchiveImport,
} from "@/data/archive/load";
import { ArchiveRefused, type Coming, readRow, sanitiseMarked } from "@/data/archive/read-row";
import type { Row } from "@/data/archive/rows";
import { ARCHIVED, type Archived } from "@/data/archive/tables";
import { setTeamStyle } from "@/data/queries/citation-styles";
import { addJobs } from "@/data/queries/jobs";
import { renameTeam } from "@/data/queries/teams";
import { noteFile } from "@/data/queries/texts-and-files";
import { transact } from "@/data/transaction";
import { changingByItself, database } from "@/mechanism/changing";
import { now } from "@/outside/clock";
import { typeOfFile } from "@/outside/documents/read-document";
import { adoptFile, headOf, storeFile, withStored } from "@/outside/files";
import { sha256 } from "@/outside/hash";
import { newId } from "@/outside/random";
import { openZip, type Unpacked } from "@/outside/unzip";
import { fetchJob, fileJob } from "../resources/blank";
import { type Bag, checkBag } from "./check-bag";

/** Rows that are written in one transaction. */
const AT_ONCE = 300;
/** And no more letters than this. */
const MOST_AT_ONCE = 3_000_000;
/** A row is no longer than this, with its longest text. */
const LONGEST_ROW = 40_000_000;

/**
 * Brings an archive back as the team that was made for it: looked over first, then its files, then its tables. Whatever has
 * come back stays; done once more, after a kill or a failure, it goes on, since every row gets the id it would have got
 * before.
 * @param id of the import
 */
export async function bringBack(id: string): Promise<void> {
  const row = await findArchiveImport(database(), id);
  if (!row || row.state !== "running" || !row.hash) return;
  try {
    const found = await withStored(row.hash, (file) => fromFile(file, row));
    if (found === null) throw new ArchiveRefused("The archive is not in the store any more. Send it again.");
    await finish(row, found);
  } catch (error) {
    if (!(error instanceof ArchiveRefused)) throw error;
    const { message } = error;
    await transact(database(), async (tx) => {
      // It is refused before anything of it is taken.
      if (row.done === 0) await dropEmptyTeam(tx, row.team);
      await setArchiveImport(tx, id, {
        ...{ state: "refused", problem: message.slice(0, 300), hash: null, updatedAt: now() },
      });
    });
  }
}

async function fromFile(file: string, row: ArchiveImportRow): Promise<Bag> {
  const zip = await openZip(file).catch(() => {
    throw new ArchiveRefused("This is no ZIP, or it is damaged.");
  });
  try {
    const bag = await checkBag(zip, (await stat(file)).size);
    await takeIn(zip, bag, row);
    return bag;
  } finally {
    zip.close();
  }
}

async function takeIn(zip: Unpacked, bag: Bag, row: ArchiveImportRow): Promise<void> {
  const mint: Mint = { at: row.createdAt.getTime(), salt: row.id.replaceAll("-", "").slice(-8) };
  const { people, names } = await peopleIn(zip, bag, mint, row);
  const exchange = broughtBack(mint, row.team, people, sha256);
  const files = [...bag.sums.keys()].flatMap((one) => /^data\/files\/([\da-f]{64})$/.exec(one)?.[1] ?? []);
  const held = new Set(files);
  for (const hash of files)
    if (bag.sums.get(`data/files/${hash}`) !== hash)
      throw new ArchiveRefused("A file of the archive does not have the name of its content.");
  const persons = new Set(people.values());
  const coming: Coming = {
    team: row.team,
    exchange,
    isRow: (one) => isMinted(one, mint),
    isPerson: (one) => persons.has(one as string),
    hasFile: (hash) => held.has(hash),
    newId,
    sanitises: false,
  };
  // All of it is looked over before anything is taken.
  let total = 0;
  for (const archived of ARCHIVED)
    for await (const rows of rowsIn(zip, bag, archived)) {
      for (const one of rows) readRow(archived, one, coming);
      total += rows.length;
    }
  // What editions hold is looked over while it is stored; what nobody holds in the end is cleared.
  const digests = await takeEditions(zip, bag, held, exchange);
  await addNames(database(), names, row.createdAt);
  for (const hash of files) if (!digests.has(hash)) await takeFile(zip, `${bag.root}data/files/${hash}`);
  const safely = { ...coming, sanitises: true };
  let done = 0;
  for (const archived of ARCHIVED)
    for await (const rows of rowsIn(zip, bag, archived)) {
      const read = rows
        .map((one) => readRow(archived, withDigest(archived, one, digests), safely))
        .filter((one) => one !== null);
      await transact(database(), async (tx) => {
        await loadRows(tx, archived, read);
        await noteLoaded(tx, archived, read, row.team, newId);
        if (archived.name === "resource") await addJobs(tx, waitingIn(read, row.team));
      });
      done += rows.length;
      await setArchiveImport(database(), row.id, { done, total, updatedAt: now() });
    }
}

/** What had not been read yet when the archive was taken is read now. */
const waitingIn = (rows: readonly Row[], team: string) =>
  rows
    .filter((row) => row.fetchState === "waiting" && row.deletedAt === null)
    .map((row) => (row.fileName ? fileJob : fetchJob)(row.id as string, team, now()));

/** People by their counts: 0 is who brings it back; the others are names. */
async function peopleIn(
  zip: Unpacked,
  bag: Bag,
  mint: Mint,
  row: ArchiveImportRow,
): Promise<{ people: Map<number, string>; names: { id: string; name: string }[] }> {
  const people = new Map([[0, row.person]]);
  const names: { id: string; name: string }[] = [];
  for await (const line of linesOf(zip, `${bag.root}data/people.jsonl`)) {
    const said = parsed(line) as { id?: unknown; name?: unknown };
    const local = readLocalId(String(said.id));
    const count = local?.kind === "person" ? parseInt(local.count, 16) : -1;
    if (count < 0 || count >= 2 ** 42) throw new ArchiveRefused("The list of people cannot be read.");
    if (count === 0 || people.has(count)) continue;
    const id = mintedId(mint, "person", count);
    people.set(count, id);
    names.push({ id, name: String(said.name ?? "").slice(0, 120) });
  }
  return { people, names };
}

/** The contents of editions, with the ids they have here; what the digest of each has become. */
async function takeEditions(
  zip: Unpacked,
  bag: Bag,
  held: ReadonlySet<string>,
  exchange: (id: string) => string,
): Promise<Map<string, string>> {
  const digests = new Map<string, string>();
  const edition = ARCHIVED.find((one) => one.name === "edition")!;
  for await (const rows of rowsIn(zip, bag, edition))
    for (const { digest } of rows as { digest?: unknown }[]) {
      if (typeof digest !== "string" || !held.has(digest) || digests.has(digest)) continue;
      const stored = await zip.read(`${bag.root}data/files/${digest}`, LONGEST_ROW);
      if (!stored) throw new ArchiveRefused("An edition of the archive is larger than any can be.");
      const content = asEdition(exchangeIds(stored.toString("utf8"), exchange));
      digests.set(digest, await storeFile(contentBytes(content)));
    }
  return digests;
}

/** What readers would be shown of it is sanitised once more, since it comes from outside. */
function asEdition(text: string): EditionContent {
  try {
    const content = sanitiseMarked(readContent(new TextEncoder().encode(text))) as EditionContent;
    if (
      content.form === 1 &&
      Array.isArray(content.collection.sections) &&
      Array.isArray(content.collection.inside)
    )
      return content;
  } catch {
    // Said below.
  }
  throw new ArchiveRefused("An edition of the archive cannot be read.");
}

/** An edition whose content is lost is none. */
function withDigest(archived: Archived, row: unknown, digests: ReadonlyMap<string, string>): unknown {
  if (archived.name !== "edition") return row;
  const { digest } = row as { digest?: string };
  return { ...(row as Row), digest: digests.get(String(digest)) ?? digest };
}

/** A stored file, under the same hash as there. */
async function takeFile(zip: Unpacked, from: string): Promise<void> {
  const folder = await mkdtemp(path.join(os.tmpdir(), "hobbin-archive-"));
  try {
    const file = path.join(folder, "file");
    await pipeline(await zip.stream(from), createWriteStream(file));
    const { hash, bytes } = await adoptFile(file);
    const type = await typeOfFile(await headOf(hash), "");
    await noteFile(database(), { hash, bytes, type, createdAt: now() });
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
}

/** The rows of a table, some at a time. */
async function* rowsIn(zip: Unpacked, bag: Bag, { name }: Archived): AsyncGenerator<unknown[]> {
  const file = `${bag.root}data/tables/${name}.jsonl`;
  // A table that is newer than the archive.
  if (!zip.files.has(file)) return;
  let rows: unknown[] = [];
  let length = 0;
  for await (const line of linesOf(zip, file)) {
    rows.push(parsed(line));
    length += line.length;
    if (rows.length < AT_ONCE && length < MOST_AT_ONCE) continue;
    yield rows.splice(0);
    length = 0;
  }
  if (rows.length) yield (rows = rows.slice());
}

async function* linesOf(zip: Unpacked, file: string): AsyncGenerator<string> {
  const decoder = new TextDecoder();
  let begun: string[] = [];
  let length = 0;
  for await (const chunk of await zip.stream(file)) {
    const [first, ...rest] = decoder.decode(chunk as Uint8Array, { stream: true }).split("\n");
    begun.push(first!);
    length += first!.length;
    if (length > LONGEST_ROW) throw new ArchiveRefused("A row of the archive is longer than any can be.");
    for (const next of rest) {
      const line = begun.join("");
      if (line) yield line;
      begun = [next];
      length = next.length;
    }
  }
  const last = begun.join("");
  if (last) yield last;
}

function parsed(line: string): unknown {
  try {
    return JSON.parse(line);
  } catch {
    throw new ArchiveRefused("A row of the archive cannot be read.");
  }
}

/** It is there from now on, under its own name; whoever listens reads it anew. */
async function finish(row: ArchiveImportRow, { head }: Bag): Promise<void> {
  await changingByItself(async (tx, begin) => {
    const style = isStyleId(head.citationStyle) ? head.citationStyle : "";
    await renameTeam(tx, row.team, head.team.trim().slice(0, 120) || "Brought back");
    await setTeamStyle(tx, row.team, style);
    await setArchiveImport(tx, row.id, { state: "done", hash: null, updatedAt: now() });
    begin({ team: row.team, person: null }).emit({ verb: "archives.brought-back", subject: row.team });
  });
}
