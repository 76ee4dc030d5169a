import { readAddress } from "@/core/address/read-address";
import { readBookmarks } from "@/core/formats/bookmarks-read";
import type { ImportedFolder, ImportedLink } from "@/core/formats/imported";
import { keysAfter } from "@/core/order/place";
import type { Tx } from "@/data/database";
import { touchCollectionsOf } from "@/data/queries/resources";
import type { NewJob } from "@/data/queries/jobs";
import { placement, resource, section } from "@/data/schema";
import { now } from "@/outside/clock";
import { addressHash } from "@/outside/hash";
import { newId } from "@/outside/random";
import { and, eq, inArray, isNotNull } from "drizzle-orm";
import { action } from "../action";
import { putCollection } from "../arrange/make-collection";
import { blank, fetchJob } from "../capture/capture-address";
import { Id, MaybeId, Name } from "../input";
import { can } from "../policy";
import { fieldProblem } from "../problem";
import { mustBeOfTeam } from "../same-team";
import { putTags } from "../tags/add-tags";

const LONGEST_FILE = 4_000_000;

class ImportBookmarks {
  @Id() team: string;
  @MaybeId() parent?: string | null;
  @Name("a bookmark file", LONGEST_FILE) file: string;
}

export const importBookmarks = action({
  name: "import.bookmarks",
  about: "Brings in a browser's bookmark file: folders become collections, their tags, times and notes stay.",
  input: ImportBookmarks,
  allow: can.arrange("team"),
  run: async ({ input, scope, tx, tell, later }) => {
    if (input.parent) await mustBeOfTeam(tx, "collection", input.parent, input.team);
    const { root, passedOver } = readBookmarks(input.file);
    if (!root.children.length)
      throw fieldProblem(
        "file",
        "There are no links in this file. A bookmark file is what a browser writes when it exports its bookmarks.",
      );
    const run = new Import(tx, input.team, scope.person!);
    const loose = root.children.filter((child) => child.type === "link");
    const tops = root.children.filter((child) => child.type === "folder");
    if (loose.length) tops.unshift({ ...root, title: root.title || "Brought in", children: loose });
    for (const folder of tops) await run.folder(folder, input.parent ?? null);
    await run.finish();
    run.jobs.forEach(later);
    for (const id of run.collections.slice(0, tops.length))
      tell({ subject: id, collection: id, data: { links: run.links } });
    return {
      collections: run.collections,
      links: run.links,
      fresh: run.jobs.length,
      passedOver: passedOver + run.malformed,
    };
  },
});

/** One import: walks the folders and gathers rows, which are written 500 at a time. */
class Import {
  readonly collections: string[] = [];
  readonly jobs: NewJob[] = [];
  links = 0;
  malformed = 0;
  readonly #at = now();
  readonly #placements: (typeof placement.$inferInsert)[] = [];
  readonly #wanted: {
    link: ImportedLink;
    address: string;
    host: string;
    hash: string;
    place: Omit<typeof placement.$inferInsert, "resource">;
  }[] = [];

  constructor(
    readonly tx: Tx,
    readonly team: string,
    readonly person: string,
  ) {}

  async folder(folder: ImportedFolder, parent: string | null): Promise<void> {
    const id = await putCollection(this.tx, {
      team: this.team,
      parent,
      title: folder.title.slice(0, 200) || "Without a name",
      description: folder.description.slice(0, 4000),
      createdAt: folder.addedAt ?? this.#at,
    });
    this.collections.push(id);
    // A section may not hold folders; one that does becomes a collection after all.
    const isSection = (child: ImportedFolder | ImportedLink): child is ImportedFolder =>
      child.type === "folder" && child.section && child.children.every((inner) => inner.type === "link");
    const sections = folder.children.filter(isSection);
    const keys = keysAfter(null, sections.length);
    this.#items(folder.children, id, null);
    for (const [i, one] of sections.entries()) {
      const sectionId = newId();
      await this.tx.insert(section).values({
        id: sectionId,
        collection: id,
        title: one.title.slice(0, 200) || "Without a name",
        position: keys[i]!,
        createdAt: this.#at,
      });
      this.#items(one.children, id, sectionId);
    }
    for (const child of folder.children)
      if (child.type === "folder" && !isSection(child)) await this.folder(child, id);
  }

  #items(children: ImportedFolder["children"], collection: string, sectionId: string | null): void {
    const links = children.filter((child) => child.type === "link");
    const keys = keysAfter(null, links.length);
    links.forEach((link, i) => {
      const read = readAddress(link.address);
      if (!read.ok) return void this.malformed++;
      this.links++;
      this.#wanted.push({
        link,
        ...read,
        hash: addressHash(read.address),
        place: {
          id: newId(),
          team: this.team,
          collection,
          section: sectionId,
          position: keys[i]!,
          heading: link.heading.slice(0, 300),
          context: link.context.slice(0, 4000),
          addedBy: this.person,
          createdAt: link.addedAt ?? this.#at,
          updatedAt: this.#at,
        },
      });
    });
  }

  /** Writes resources that are new, then tags and placements of all. */
  async finish(): Promise<void> {
    const first = new Map(this.#wanted.toReversed().map((wish) => [wish.hash, wish]));
    const ids = await this.#known([...first.keys()]);
    const fresh = [...first.values()].filter((wish) => !ids.has(wish.hash));
    const rows = fresh.map(({ link, address, host, hash }) => {
      const id = newId();
      ids.set(hash, id);
      this.jobs.push(fetchJob(id, this.team, this.#at));
      const named = link.title ? { title: link.title.slice(0, 500), typed: ["title"] } : {};
      return {
        ...blank(id, address, host),
        ...named,
        team: this.team,
        addressHash: hash,
        addedBy: this.person,
        createdAt: link.addedAt ?? this.#at,
        updatedAt: this.#at,
      };
    });
    for (let i = 0; i < rows.length; i += 500) await this.tx.insert(resource).values(rows.slice(i, i + 500));
    const tags = new Map<string, string[]>();
    for (const { link, hash } of this.#wanted)
      if (link.tags.length) tags.set(ids.get(hash)!, [...(tags.get(ids.get(hash)!) ?? []), ...link.tags]);
    await putTags(this.tx, this.team, tags);
    for (const { place, hash } of this.#wanted) this.#placements.push({ ...place, resource: ids.get(hash)! });
    for (let i = 0; i < this.#placements.length; i += 500)
      await this.tx.insert(placement).values(this.#placements.slice(i, i + 500));
    await touchCollectionsOf(this.tx, [...ids.values()].slice(0, 1000), this.#at);
  }

  /** Ids of resources the team has already; those in the bin come out of it. */
  async #known(hashes: string[]): Promise<Map<string, string>> {
    const ids = new Map<string, string>();
    for (let i = 0; i < hashes.length; i += 500) {
      const part = hashes.slice(i, i + 500);
      const here = and(eq(resource.team, this.team), inArray(resource.addressHash, part));
      for (const row of await this.tx
        .select({ id: resource.id, hash: resource.addressHash })
        .from(resource)
        .where(here))
        ids.set(row.hash, row.id);
      await this.tx
        .update(resource)
        .set({ deletedAt: null })
        .where(and(here, isNotNull(resource.deletedAt)));
    }
    return ids;
  }
}
