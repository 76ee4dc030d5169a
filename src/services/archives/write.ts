import { createHash } from "node:crypto";
import { Readable, Transform } from "node:stream";
import { pipeline } from "node:stream";
import { ARCHIVE_VERSION, type ArchiveHead, bagInfo, DECLARATION, manifestLine } from "@/core/archive/bag";
import { exchangeIds, IdBook, localId, readLocalId } from "@/core/archive/local-ids";
import { contentBytes, readContent } from "@/core/editions/content";
import { folderOf } from "@/core/publish/folder";
import { html } from "@/core/publish/html";
import { plainDocument } from "@/core/publish/plain-document";
import { idsOf, peopleIn, rowsOf, type Taker, teamRow, topCollections } from "@/data/archive/rows";
import { ARCHIVED } from "@/data/archive/tables";
import type { Tx } from "@/data/database";
import { namesOfPeople } from "@/data/queries/people";
import { openFile, readStored } from "@/outside/files";
import { letterFiles } from "@/outside/files/letters";
import { sha256 } from "@/outside/hash";
import type { Packed } from "@/outside/zip";
import { contentNow } from "../editions/content-now";

/** Ids that are not looked for again. */
const MOST_KNOWN = 5_000;

const utf8 = (text: string) => () => Promise.resolve(new TextEncoder().encode(text));

/**
 * Everything of a team as a bag (RFC 8493): its tables as JSON Lines, stored files by their content, pages to look through
 * it without Hobbin. Read as it was at one moment; a part is in memory only while it is sent.
 * @param tx a transaction that sees one moment
 */
export async function* archiveFiles(tx: Tx, taker: Taker, at: Date): AsyncGenerator<Packed> {
  const team = (await teamRow(tx, taker.team))!;
  const root = fileNameOf(team.name);
  const payload: string[] = [];
  const tags: string[] = [];
  const sums = { octets: 0, streams: 0 };
  const counted = ({ path, content, stored, quickly }: Packed, into: string[]): Packed => ({
    path: `${root}/${path}`,
    ...(stored && { stored }),
    ...(quickly && { quickly }),
    content: async () => {
      const found = await content();
      if (!found) return null;
      const source = found instanceof Readable ? found : Readable.from([found]);
      return summed(source, (hash, bytes) => {
        into.push(manifestLine(hash, path));
        if (into === payload) {
          sums.octets += bytes;
          sums.streams++;
        }
      });
    },
  });
  for await (const file of payloadFiles(tx, taker, team, at)) yield counted(file, payload);
  const inOrder = (lines: string[]) =>
    lines.toSorted((a, b) => (a.slice(66) < b.slice(66) ? -1 : 1)).join("");
  for (const [path, text] of [
    ["bagit.txt", DECLARATION],
    ["bag-info.txt", bagInfo(team.name, at, sums.octets, sums.streams)],
    ["manifest-sha256.txt", inOrder(payload)],
  ] as const)
    yield counted({ path, content: utf8(text) }, tags);
  yield { path: `${root}/tagmanifest-sha256.txt`, content: utf8(inOrder(tags)) };
}

const fileNameOf = (name: string) =>
  name
    .replace(/[^\p{L}\p{N} ._-]+/gu, " ")
    .replace(/\s+/g, " ")
    .replace(/^[. ]+|[. ]+$/g, "")
    .slice(0, 60) || "team";

/** The same bytes, with what they come to told once they have gone by. */
function summed(source: Readable, done: (hash: string, bytes: number) => void): Readable {
  const hash = createHash("sha256");
  let bytes = 0;
  const through = new Transform({
    transform(chunk: Uint8Array, _, next) {
      hash.update(chunk);
      bytes += chunk.length;
      next(null, chunk);
    },
    flush(next) {
      done(hash.digest("hex"), bytes);
      next();
    },
  });
  // What goes wrong in the source is heard by whoever reads on.
  return pipeline(source, through, () => undefined);
}

type Team = NonNullable<Awaited<ReturnType<typeof teamRow>>>;

async function* payloadFiles(tx: Tx, taker: Taker, team: Team, at: Date): AsyncGenerator<Packed> {
  const book = new IdBook();
  const ids = new Map<string, string[]>();
  // Asked for all at once, so that the database goes from one table to the next without waiting for us.
  await Promise.all(
    ARCHIVED.filter(({ dense }) => !dense).map(async (archived) => {
      const all: string[] = [];
      ids.set(archived.name, all);
      const isOwn = "own" in archived.by;
      for await (const some of idsOf(tx, archived, taker))
        for (const id of some) {
          if (isOwn) book.add(id);
          all.push(id);
        }
    }),
  );
  const people = await peopleOf(tx, taker);
  const exchange = exchangerOf(book, people, taker);
  const hashes = new Set<string>();
  const digests = await editionDigests(tx, ids.get("edition") ?? [], exchange, taker);
  const tables: Record<string, number> = {};
  for (const archived of ARCHIVED) {
    tables[archived.name] = 0;
    const { name, by, dense } = archived;
    const known = ids.get(dense && "parent" in by ? by.of : name) ?? [];
    const lines = async function* () {
      for await (const { text, count, hashes: named } of rowsOf(tx, archived, known, taker, exchange)) {
        tables[name]! += count;
        for (const hash of named) hashes.add(hash);
        yield name === "edition" ? withDigests(text, digests) : text;
      }
    };
    const path = `data/tables/${name}.jsonl`;
    yield { path, content: () => Promise.resolve(Readable.from(lines())), quickly: true };
  }
  const names = await namesOfPeople(tx, [...people.keys()]);
  yield {
    path: "data/people.jsonl",
    content: utf8(
      [...people]
        .map(
          ([id, count]) => `${JSON.stringify({ id: localId("person", count), name: names.get(id) ?? "" })}\n`,
        )
        .join(""),
    ),
  };
  for (const { hash, bytes } of new Map([...digests.values()].map((one) => [one.hash, one])).values())
    yield { path: `data/files/${hash}`, content: () => Promise.resolve(bytes) };
  for (const hash of [...hashes].sort())
    yield {
      path: `data/files/${hash}`,
      content: async () => (await openFile(hash).catch(() => null))?.stream ?? null,
      stored: true,
    };
  yield* pagesOf(tx, taker.team, team.name, at);
  const head: ArchiveHead = {
    ...{ format: "hobbin-archive", version: ARCHIVE_VERSION, team: team.name, at: at.toISOString() },
    ...{ citationStyle: team.citationStyle, tables },
  };
  yield { path: "data/archive.json", content: utf8(`${JSON.stringify(head, null, 1)}\n`) };
}

/** Everybody who is named anywhere, with a count: who takes it is 0, the others follow in the order of their ids. */
async function peopleOf(tx: Tx, taker: Taker): Promise<Map<string, number>> {
  const fields = ARCHIVED.flatMap((archived) =>
    archived.people.map((field) => peopleIn(tx, archived, field, taker)),
  );
  const found = new Set((await Promise.all(fields)).flat());
  found.delete(taker.person);
  return new Map([taker.person, ...[...found].sort()].map((id, count) => [id, count]));
}

/** Ids as they stand in the archive. What is not in it has one by which nothing can be found. */
function exchangerOf(book: IdBook, people: ReadonlyMap<string, number>, { team }: Taker) {
  const find = (id: string): string => {
    const count = book.numberOf(id);
    if (count !== null) return localId("row", count);
    const person = people.get(id);
    if (person !== undefined) return localId("person", person);
    if (id === team) return localId("team", 0);
    // What came from an archive and was in none stays what it is.
    return readLocalId(id)?.kind === "other" ? id : localId("other", sha256(id).slice(0, 12));
  };
  // The team, people and tags stand in row after row.
  const last = new Map<string, string>();
  return (id: string, once?: boolean): string => {
    if (once) return find(id);
    const known = last.get(id);
    if (known) return known;
    const found = find(id);
    if (last.size >= MOST_KNOWN) last.clear();
    last.set(id, found);
    return found;
  };
}

/** Editions name their contents as these are in the archive. */
const withDigests = (text: string, digests: ReadonlyMap<string, { hash: string }>): string =>
  text.replace(/"digest":"([\da-f]{64})"/g, (found, digest: string) =>
    digests.has(digest) ? `"digest":"${digests.get(digest)!.hash}"` : found,
  );

/** The contents of editions with the ids of the archive, by the digests they had. */
async function editionDigests(
  tx: Tx,
  ids: readonly string[],
  exchange: (id: string) => string,
  taker: Taker,
): Promise<Map<string, { hash: string; bytes: Uint8Array }>> {
  const made = new Map<string, { hash: string; bytes: Uint8Array }>();
  const editions = ARCHIVED.find((one) => one.name === "edition")!;
  for await (const { text } of rowsOf(tx, editions, ids, taker, exchange))
    for (const [, digest = ""] of text.matchAll(/"digest":"([\da-f]{64})"/g)) {
      const stored = made.has(digest) ? null : await readStored(digest).catch(() => null);
      if (!stored) continue;
      const content = exchangeIds(new TextDecoder().decode(stored), exchange);
      const bytes = contentBytes(readContent(new TextEncoder().encode(content)));
      made.set(digest, { hash: sha256(bytes), bytes });
    }
  return made;
}

/** Pages to look through everything without Hobbin: those of each collection at the top, and a list of them. */
async function* pagesOf(tx: Tx, team: string, name: string, at: Date): AsyncGenerator<Packed> {
  const tops = await topCollections(tx, team);
  const places = { letters: "../letters", stored: (hash: string) => `../../files/${hash}` };
  for (const [i, { id }] of tops.entries()) {
    const folder = folderOf(await contentNow(tx, id, at, null), at, "shown", new Map(), places);
    for (const { path, text } of folder.pages)
      yield { path: `data/pages/${i + 1}/${path}`, content: utf8(text) };
  }
  const list = html`<ul>${tops.map((one, i) => html`<li><a href="${i + 1}/index.html">${one.title}</a></li>`)}</ul>`;
  const about = { title: name, of: { title: name, address: "index.html" }, language: "", fonts: "letters" };
  yield { path: "data/pages/index.html", content: utf8(plainDocument(about, list)) };
  for (const { name: file, content } of letterFiles())
    yield { path: `data/pages/letters/${file}`, content, stored: true };
}
