import { addressOfFile } from "@/core/address/read-address";
import { kindOfType } from "@/core/cite/reference";
import type { BroughtLine } from "@/core/imports/brought";
import { noteIdentity, noteTitle, workIdentity } from "@/core/imports/identity";
import { splitTags } from "@/core/imports/split-tags";
import type { Verb } from "@/core/history/verbs";
import { groupBy } from "@/core/list/group-by";
import { keysAfter } from "@/core/order/place";
import { tagKey } from "@/core/tags/tag-name";
import { countWords, minutesOf } from "@/core/text/minutes";
import type { Tx } from "@/data/database";
import type { RowOf } from "@/data/entities";
import { lockCollections } from "@/data/queries/collections";
import {
  type ImportRow,
  lockImport,
  nextPart,
  writeImport,
  writePart,
  standingIn,
} from "@/data/queries/imports";
import { lastItemKeys } from "@/data/queries/order";
import { BULK } from "@/data/queries/jobs";
import type { Outcome } from "@/data/schema";
import { reindexResources } from "@/data/search/reindex-queue";
import type { ChangeSet } from "@/mechanism/change-set";
import { changingByItself } from "@/mechanism/changing";
import { addressHash, identityHash } from "@/outside/hash";
import { newId } from "@/outside/random";
import { blank, empty, fetchJob } from "../resources/blank";
import { findOrAddAll } from "../resources/find-or-add";
import { putTags } from "../tags/put";
import { makePlaces, spotOf } from "./make-places";

/**
 * Does the next step of an import: its places, then one part of its lines after the other. A step is one transaction
 * with the note that it is done, so whoever is killed in the middle has done nothing, and goes on where it stopped.
 * @param id of the import
 * @returns whether there is more to do
 */
export const stepImport = (id: string): Promise<boolean> =>
  changingByItself(async (tx, begin) => {
    const row = await lockImport(tx, id);
    if (!row || row.state !== "running") return false;
    const set = begin({ team: row.team, person: row.person });
    const { at } = set;
    if (row.places.length && !row.standing.length) {
      await makePlaces(tx, set, row);
      return true;
    }
    const part = await nextPart(tx, id, "waiting");
    if (!part) {
      await writeImport(tx, id, { state: "done", updatedAt: at });
      const { made, placed, here, rejected } = row;
      emitOf(set, row, "imports.done", { made, placed, here, rejected });
      return false;
    }
    const outcomes = await new Part(tx, set, row, part.lines).bring();
    const count = (became: Outcome["became"]) => outcomes.filter((one) => one.became === became).length;
    await writePart(tx, id, part.no, { outcomes, state: "done" });
    const done = row.done + outcomes.length;
    await writeImport(tx, id, {
      done,
      made: row.made + count("made"),
      placed: row.placed + count("placed"),
      here: row.here + count("here"),
      rejected: row.rejected + count("rejected"),
      left: row.left + count("left"),
      updatedAt: at,
    });
    emitOf(set, row, "imports.progress", { done, of: row.total });
    return true;
  });

const emitOf = (set: ChangeSet, row: ImportRow, verb: Verb, data: Record<string, unknown>) =>
  set.emit({
    subject: row.id,
    verb,
    collection: row.into ?? row.standing.find((one) => !one.section)?.id ?? null,
    data: { name: row.name, ...data },
  });

type Wish = {
  at: number;
  line: BroughtLine;
  hash: string;
  address: string;
  host: string;
  tags: string[];
  spot: { collection: string; section: string | null } | null;
};

/** One part of an import: gathers what is to be written, then writes it some hundred rows at a time. */
class Part {
  readonly #outcomes: Outcome[];
  readonly #wishes: Wish[] = [];
  /** What each resource is called, by its hash. */
  readonly #titles = new Map<string, string>();

  constructor(
    readonly tx: Tx,
    readonly set: ChangeSet,
    readonly row: ImportRow,
    readonly lines: BroughtLine[],
  ) {
    this.#outcomes = lines.map(() => ({ became: "rejected" }));
  }

  async bring(): Promise<Outcome[]> {
    this.lines.forEach((line, at) => this.#read(line, at));
    const ids = await this.#resources();
    await this.#tags(ids);
    await this.#places(ids);
    await reindexResources(this.tx, [...ids.values()]);
    return this.#outcomes;
  }

  #read(line: BroughtLine, at: number): void {
    if (line.out) return void (this.#outcomes[at] = { became: "left" });
    const { row } = this;
    const rest = {
      at,
      line,
      tags: splitTags(line.tagText, row.separator),
      spot: spotOf(row, row.standing, line.place),
    };
    if (line.note)
      this.#wishes.push({ ...rest, address: "", host: "", hash: identityHash(noteIdentity(line.note)) });
    else if (line.address) {
      const read = addressOfFile(line.address);
      if (read.ok) this.#wishes.push({ ...rest, ...read, hash: addressHash(read.address) });
    } else if (line.title && line.reference)
      this.#wishes.push({
        ...rest,
        address: "",
        host: "",
        hash: identityHash(workIdentity(line.title, line.reference)),
      });
  }

  /** Finds the resources there are, makes those there are not. @returns ids by hash */
  async #resources(): Promise<Map<string, string>> {
    const { tx, set, row } = this;
    // Of several lines for one resource the first says what it is.
    const first = new Map(this.#wishes.toReversed().map((wish) => [wish.hash, wish]));
    const wanted = new Map(
      [...first].map(([hash, wish]) => [hash, (id: string) => this.#asResource(id, wish)]),
    );
    const found = await findOrAddAll(tx, set, row, wanted);
    for (const [hash, { id, known }] of found) {
      const wish = first.get(hash)!;
      this.#titles.set(hash, known ? known.title : wish.line.title);
      if (known) continue;
      this.#outcomes[wish.at] = { became: "made", resource: id };
      if (wish.address) set.enqueue(fetchJob(id, row.team, set.at, BULK));
    }
    const ids = new Map([...found].map(([hash, { id }]) => [hash, id]));
    for (const wish of this.#wishes)
      if (this.#outcomes[wish.at]!.became === "rejected")
        this.#outcomes[wish.at] = { became: "here", resource: ids.get(wish.hash)! };
    return ids;
  }

  #asResource(id: string, { line, address, host }: Wish) {
    const base = address ? blank(id, address, host) : empty(id);
    const times = line.addedAt ? { createdAt: new Date(line.addedAt) } : {};
    if (line.note) {
      const words = countWords(line.note);
      return {
        ...base,
        ...times,
        kind: "note" as const,
        title: line.title || noteTitle(line.note),
        description: line.note.slice(0, 16_000),
        words,
        minutes: minutesOf({ words, seconds: null }),
        typed: ["title", "description"],
      };
    }
    const { reference } = line;
    const typed: string[] = [];
    const take = <K extends string, V>(field: K, value: V | null | undefined | "") => {
      if (!value || (Array.isArray(value) && !value.length)) return {};
      typed.push(field);
      return { [field]: value } as Record<K, V>;
    };
    return {
      ...base,
      ...times,
      ...take("title", line.title),
      ...(reference && {
        ...take("authors", reference.authors),
        ...take("published", reference.published),
        ...take("language", reference.language),
        ...(reference.type && { itemType: reference.type, ...take("kind", kindOfType(reference.type)) }),
        details: reference.fields,
      }),
      typed,
    };
  }

  async #tags(ids: Map<string, string>): Promise<void> {
    const wanted = new Map<string, string[]>();
    const lineOf = new Map<string, number>();
    for (const wish of this.#wishes) {
      const id = ids.get(wish.hash)!;
      lineOf.set(id, lineOf.get(id) ?? wish.at);
      if (wish.tags.length) wanted.set(id, [...(wanted.get(id) ?? []), ...wish.tags]);
    }
    for (const { id, resource: of } of await putTags(this.tx, this.set, this.row.team, wanted, {
      along: true,
    })) {
      const outcome = this.#outcomes[lineOf.get(of)!]!;
      // What goes with its resource need not be noted.
      if (outcome.became !== "made") (outcome.tags ??= []).push(id);
    }
  }

  async #places(ids: Map<string, string>): Promise<void> {
    const { tx, set, row } = this;
    const spots = groupBy(
      this.#wishes.filter((wish) => wish.spot),
      (wish) => wish.spot!.collection,
    );
    const collections = [...spots.keys()];
    await lockCollections(tx, collections);
    const there = new Set(
      (await standingIn(tx, collections, [...new Set(ids.values())])).map(
        (one) => `${one.collection}|${one.resource}`,
      ),
    );
    const last = new Map(
      (await lastItemKeys(tx, collections)).map((one) => [
        `${one.collection}|${one.section ?? ""}`,
        one.last!,
      ]),
    );
    const wanted: { wish: Wish; resource: string }[] = [];
    for (const wish of this.#wishes) {
      const of = ids.get(wish.hash)!;
      if (!wish.spot || there.has(`${wish.spot.collection}|${of}`)) continue;
      there.add(`${wish.spot.collection}|${of}`);
      wanted.push({ wish, resource: of });
    }
    const rows: RowOf<"placement">[] = [];
    for (const [key, group] of groupBy(
      wanted,
      ({ wish }) => `${wish.spot!.collection}|${wish.spot!.section ?? ""}`,
    )) {
      const keys = keysAfter(last.get(key) ?? null, group.length);
      for (const [i, { wish, resource: of }] of group.entries()) {
        const id = newId();
        const outcome = this.#outcomes[wish.at]!;
        this.#outcomes[wish.at] = {
          ...outcome,
          became: outcome.became === "made" ? "made" : "placed",
          placement: id,
        };
        rows.push({
          id,
          team: row.team,
          ...wish.spot!,
          resource: of,
          position: keys[i]!,
          heading: wish.line.heading || this.#ownTitle(wish),
          context: wish.line.note ? "" : wish.line.context,
          addedBy: row.person,
          createdAt: wish.line.addedAt ? new Date(wish.line.addedAt) : this.set.at,
          updatedAt: this.set.at,
        });
      }
    }
    await set.add("placement", rows, { along: true });
    await set.count(collections);
    await this.#tray(ids);
  }

  /** What somebody called it there, where it is called something else already. */
  #ownTitle({ line, hash }: Wish): string {
    const title = this.#titles.get(hash);
    return title && line.title && tagKey(line.title) !== tagKey(title) ? line.title.slice(0, 300) : "";
  }

  /** What has no place waits in the Tray of whoever brings it in. */
  async #tray(ids: Map<string, string>): Promise<void> {
    const rows = this.#wishes
      .filter((wish) => !wish.spot && this.#outcomes[wish.at]!.became === "made")
      .map((wish) => ({
        id: newId(),
        team: this.row.team,
        person: this.row.person,
        resource: ids.get(wish.hash)!,
        state: "waiting" as const,
        createdAt: this.set.at,
        updatedAt: this.set.at,
      }));
    await this.set.add("trayEntry", rows, { along: true });
  }
}
