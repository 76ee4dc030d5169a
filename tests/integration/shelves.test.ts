import { eq, sql } from "drizzle-orm";
import { describe, expect, test } from "vitest";
import { PUBLIC } from "@/core/shelves/public";
import { dropClosedListings } from "@/data/queries/listings";
import { reindexQueue, termList } from "@/data/schema";
import { database } from "@/mechanism/changing";
import { queryRows } from "@/data/sql/query-rows";
import { newId } from "@/outside/random";
import { eraseWholeTeam } from "@/services/people/erase";
import { fed, word } from "./public";
import { as, makeWorld, type World } from "./world";

const share = ({ owner, collection }: World, more: object = {}) =>
  as(owner, "share.set", { collection, audience: "public", ...more });
/** Puts some words into a collection that its readers are not shown. */
async function notForReaders({ owner, team, collection }: World, text: string): Promise<void> {
  const placement = newId();
  await as(owner, "capture.note", { team, text, collection, placement });
  await as(owner, "placements.edit", { placement, forReaders: false });
}
const find = async (who: World["owner"], query: string) =>
  (await as(who, "shelves.find", { query })).results.map((one) => one.id);

describe("What is public", () => {
  test("is found by somebody of another team, by its own words and by those of its items, where they stand", async () => {
    const [one, other] = [await makeWorld(), await makeWorld()];
    const [title, context, hidden, tag] = [word(), word(), word(), word()];
    const { owner, collection, placement } = one;
    await as(owner, "collections.edit", { collection, title: `Bogs ${title}`, description: "About bogs." });
    await as(owner, "placements.edit", { placement, context: `Why it is ${context} here` });
    await as(owner, "tags.add", { resource: one.resource, tags: [tag] });
    await notForReaders(one, `Only for us: ${hidden}`);
    await fed();
    expect(await find(other.owner, title)).toEqual([]);

    await share(one);
    await fed();
    const { results } = await as(other.owner, "shelves.find", { query: `${title} ${context}` });
    expect(results).toMatchObject([
      {
        ...{ id: collection, title: `Bogs ${title}`, count: 1 },
        marks: [[5, 5 + title.length]],
        passages: [{ passage: { text: `Why it is ${context} here` } }],
      },
    ]);
    expect(await find(other.viewer, tag)).toEqual([collection]);
    expect(await find(other.owner, `tag:${tag} bogs`)).toEqual([collection]);
    expect(await find(other.owner, `"it is ${context}"`)).toEqual([collection]);
    expect(await find(other.owner, `"is it ${context}"`)).toEqual([]);
    expect(await find(other.owner, hidden)).toEqual([]);
    const { collections } = await as(other.owner, "shelves.newest", {});
    expect(collections[0]).toMatchObject({ id: collection, description: "About bogs." });
  });

  test("is out of it at once when it is public no more, and shown as it is at once when it changes", async () => {
    const [one, other] = [await makeWorld(), await makeWorld()];
    const [before, after] = [word(), word()];
    const { owner, collection } = one;
    await as(owner, "collections.edit", { collection, description: `Before: ${before}` });
    await share(one);
    await fed();
    expect(await find(other.owner, before)).toEqual([collection]);
    // Nothing is fed meanwhile: what is known of it is old, and nobody is shown it.
    await as(owner, "collections.edit", { collection, description: `After: ${after}` });
    const { results } = await as(other.owner, "shelves.find", { query: before });
    expect(JSON.stringify(results)).not.toContain(before);
    for (const stop of [{ audience: "team" }, { audience: "link" }]) {
      await share(one);
      await fed();
      expect(await find(other.owner, after)).toEqual([collection]);
      await as(owner, "share.set", { collection, ...stop });
      expect(await find(other.owner, after)).toEqual([]);
      const { collections } = await as(other.owner, "shelves.newest", {});
      expect(collections.map(({ id }) => id)).not.toContain(collection);
    }
    await share(one, { until: new Date(Date.now() + 1_500).toISOString() });
    await fed();
    expect(await find(other.owner, after)).toEqual([collection]);
    const typo = `${after.slice(0, -1)}${after.endsWith("0") ? "1" : "0"}`;
    const meant = async () => (await as(other.owner, "shelves.find", { query: typo })).meant;
    expect(await meant()).toBe(after);
    await new Promise((resolve) => setTimeout(resolve, 1_600));
    expect(await find(other.owner, after)).toEqual([]);
    // Its words are in the index until the night; nobody is told one of them.
    expect(await termsOf(collection)).toContain(after);
    expect(await meant()).toBeNull();
    await dropClosedListings(database(), new Date());
    await fed();
    expect(await termsOf(collection)).toBe("");
    await share(one, { until: null });
    await fed();
    await as(owner, "collections.remove", { collection });
    expect(await find(other.owner, after)).toEqual([]);
    await fed();
    expect(await termsOf(collection)).toBe("");
  });

  test("has what stands inside it as far as its readers are shown that, also what comes there later", async () => {
    const [one, other] = [await makeWorld(), await makeWorld()];
    const { owner, team, collection } = one;
    const [inside, deep] = [word(), word()];
    const child = (
      await as(owner, "collections.make", { team, title: `Inner ${inside}`, parent: collection })
    ).collection.id;
    await share(one);
    await fed();
    expect(await find(other.owner, inside)).toEqual([]);
    await share(one, { reach: "all" });
    await as(owner, "capture.note", { team, text: `Deep down: ${deep}`, collection: child });
    await fed();
    expect(await find(other.owner, deep)).toEqual([collection]);
    await as(owner, "share.leave-out", { collection: child, out: true });
    await fed();
    expect(await find(other.owner, deep)).toEqual([]);
  });

  test("is nothing that any of twenty teams keeps to itself", async () => {
    const mine = await makeWorld();
    const { owner: reader } = mine;
    const secrets: string[] = [];
    const secret = () => (secrets.push(word()), secrets.at(-1)!);
    // What each of them has for itself, and what each has in what is public; whoever looks has both.
    const all = { address: `https://${word()}.example/`, tag: word() };
    const both = { address: `https://${word()}.example/`, tag: word() };
    const bring = async (who: World, what: typeof all, collection: string) => {
      const { resource } = await as(who.owner, "capture.address", {
        ...{ team: who.team, address: what.address, collection },
      });
      await as(who.owner, "tags.add", { resource: resource.id, tags: [what.tag] });
      return resource.id;
    };
    const [kept, known] = [await bring(mine, all, mine.collection), await bring(mine, both, mine.collection)];
    const open: string[] = [];
    const pages: { team: string; person: string }[] = [];
    for (let i = 0; i < 20; i++) {
      const world = await makeWorld();
      const { owner, team, collection, resource, placement } = world;
      open.push(collection);
      // Something of each kind stands beside what is public, or at it and is not for readers.
      const apart = (await as(owner, "collections.make", { team, title: secret() })).collection.id;
      const address = `https://${secret()}.example/${secret()}`;
      const own = await as(owner, "capture.work", {
        ...{ team, type: "report", title: secret(), address, collection: apart },
      });
      await as(owner, "tags.add", { resource: own.resource.id, tags: [secret()] });
      await as(owner, "resources.paste-text", { resource: own.resource.id, text: secret() });
      await bring(world, all, apart);
      await bring(world, both, collection);
      await as(owner, "resources.edit", { resource, notes: secret() });
      await as(owner, "marks.add", { resource, private: false, note: secret() });
      await as(owner, "comments.add", { collection, placement, words: secret() });
      await notForReaders(world, secret());
      await as(owner, "collections.edit", { collection, title: `Open bog ${i}` });
      await share(world);
      await as(owner, "people.set-page", { open: true });
      await as(owner, "teams.set-page", { team, open: true });
      pages.push({ team, person: owner.person!.id });
    }
    await fed();
    const answers: unknown[] = [];
    for (const query of ["bog", "open bog", ...secrets])
      answers.push(await as(reader, "shelves.find", { query }));
    let next: { since: Date; after: string } | null = null;
    const seen: string[] = [];
    do {
      const page: Awaited<ReturnType<typeof as<"shelves.newest">>> = await as(reader, "shelves.newest", {
        ...(next && { since: next.since.toISOString(), after: next.after }),
      });
      answers.push(page);
      seen.push(...page.collections.map(({ id }) => id));
      ({ next } = page);
    } while (next);
    const near = await as(reader, "shelves.near", { collection: mine.collection });
    const theirs = near.collections.filter((one) => open.includes(one.id));
    expect(theirs.length).toBeGreaterThan(0);
    for (const { why } of theirs) expect([why.pages, why.tags]).toEqual([1, [both.tag]]);
    const keeping = await as(reader, "shelves.keeping", { resource: known });
    expect([keeping.count, keeping.beside]).toEqual([20, []]);
    expect((await as(reader, "shelves.keeping", { resource: kept })).count).toBe(0);
    const { subjects } = await as(reader, "shelves.subjects", {});
    expect([subjects.includes(both.tag), subjects.includes(all.tag)]).toEqual([true, false]);
    answers.push(near, keeping, subjects, await as(reader, "shelves.often", {}));
    for (const collection of open) answers.push(await as(reader, "shelves.read", { collection }));
    for (const { team, person } of pages) {
      answers.push(await as(reader, "shelves.of-team", { of: team }));
      const { collections } = await as(reader, "shelves.of-person", { of: person });
      expect(collections).toHaveLength(1);
      answers.push(collections);
    }
    for (const shown of open)
      await as(reader, "shelves.show", { collection: mine.collection, shown, placement: newId() });
    const { code } = await as(reader, "share.set", { collection: mine.collection, audience: "link" });
    const readers = { person: null, share: code! };
    const shown = await as(readers, "reader.read", { collection: mine.collection });
    expect(JSON.stringify(shown).split('"theirs"')).toHaveLength(21);
    answers.push(shown);
    const said = JSON.stringify(answers);
    expect(secrets.length).toBeGreaterThan(180);
    expect(secrets.filter((one) => said.includes(one))).toEqual([]);
    expect(open.every((id) => seen.includes(id))).toBe(true);
    expect(new Set(seen).size).toBe(seen.length);
  });

  test("leaves nothing behind when its team is erased", async () => {
    const world = await makeWorld();
    const own = word();
    await as(world.owner, "collections.edit", { collection: world.collection, description: own });
    await share(world);
    await fed();
    expect(await termsOf(world.collection)).toContain(own);
    await eraseWholeTeam(world.team);
    await fed();
    expect(await termsOf(world.collection)).toBe("");
    const left = await queryRows<{ n: number }>(
      database(),
      sql`SELECT (SELECT COUNT(*) FROM term_posting WHERE term = ${own} AND weight > 0) + (SELECT COUNT(*) FROM ${reindexQueue} WHERE team = ${PUBLIC}) AS n`,
    );
    expect(Number(left[0]!.n)).toBe(0);
  });
});

const termsOf = async (collection: string): Promise<string> => {
  const rows = await database()
    .select({ terms: termList.terms })
    .from(termList)
    .where(eq(termList.resource, collection));
  return rows[0]?.terms ?? "";
};
