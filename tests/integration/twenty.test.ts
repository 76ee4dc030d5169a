import { and, eq, isNotNull } from "drizzle-orm";
import fc from "fast-check";
import { expect, test } from "vitest";
import { placement } from "@/data/schema";
import { STRANGER, type Actor } from "@/mechanism/actor";
import { database } from "@/mechanism/changing";
import { Problem } from "@/mechanism/problem";
import { newId } from "@/outside/random";
import type { ActionName } from "@/services/registry";
import { countedOtherwise } from "./counted";
import { as, guestOf, makeWorld, somebody } from "./world";

/** Twenty who share one collection: a team, guests of it, a class with cards and passers-by. */
async function twenty() {
  const world = await makeWorld();
  const { owner, editor, contributor, viewer, team, collection } = world;
  const more: Actor[] = [];
  for (const role of [
    "owner",
    "editor",
    "editor",
    "editor",
    "contributor",
    "contributor",
    "contributor",
    "contributor",
    "viewer",
    "viewer",
  ] as const) {
    const { invitation } = await as(owner, "invitations.make", { team, role });
    const who = await somebody(`more-${role}`);
    await as(who, "invitations.accept", { code: invitation.code });
    more.push(who);
  }
  const guests = await Promise.all(
    (["editor", "editor", "editor", "contributor", "contributor", "viewer"] as const).map((role) =>
      guestOf(owner, collection, role),
    ),
  );
  await as(editor, "capture.note", { team, collection, text: `A second ${newId()}` });
  const { link } = await as(owner, "suggestions.set-page", { collection, open: true });
  const { group } = await as(owner, "groups.make", { team, title: "7b", names: ["Ida", "Bo", "Cem"] });
  const { handout } = await as(owner, "handouts.make", { collection, group: group.id, writes: true });
  const { learners } = await as(owner, "groups.look", { group: group.id });
  const people = [owner, editor, contributor, viewer, ...more, ...guests];
  return {
    ...world,
    people,
    link,
    handout: handout.id,
    cards: learners.map((one) => one.card),
    group: group.id,
  };
}
type Scene = Awaited<ReturnType<typeof twenty>>;

/** What somebody was told is done, and how it is seen that it is. */
type Acknowledged = { entry: string | null; by: Actor; token: string; where: keyof Seen };
type Seen = { items: string; contexts: string; comments: string; suggestions: string; sheets: string };

/** Does it; that it is not allowed, or not possible any more, is said by a Problem and nothing else. */
async function perform<N extends ActionName>(actor: Actor, name: N, input: object) {
  try {
    return await as(actor, name, input);
  } catch (error) {
    if (!(error instanceof Problem)) throw error;
    return null;
  }
}

/** What people do, by what they see at that moment; each says by which word it is known again. */
const DEEDS: ((scene: Scene, who: Actor, token: string, n: number) => Promise<Acknowledged[]>)[] = [
  async ({ collection }, who, token) => {
    const done = await perform(who, "comments.add", { collection, words: `I say ${token}` });
    return done ? [{ entry: done.entry, by: who, token, where: "comments" }] : [];
  },
  async ({ team, collection }, who, token) => {
    const done = await perform(who, "capture.note", { team, collection, text: `Found ${token}` });
    // Who may not place has it in their own Tray.
    return done?.item ? [{ entry: done.entry, by: who, token, where: "items" }] : [];
  },
  async ({ collection }, who, token, n) => {
    const { items } = await as(who, "collections.items", { collection });
    const { id: placement, context } = items[n % 2]!;
    // At the beginning or at the end, as it stood when they began to write.
    const wanted = n % 3 ? `${context} ${token}` : `${token} ${context}`;
    const done = await perform(who, "placements.edit", {
      ...{ placement, context: wanted, base: { context } },
    });
    return done ? [{ entry: done.entry, by: who, token, where: "contexts" }] : [];
  },
  async ({ collection }, who, _, n) => {
    const { items } = await as(who, "collections.items", { collection });
    const { sections } = await as(who, "collections.sections", { collection });
    const placement = items[n % items.length]!.id;
    await perform(who, "placements.move", {
      ...{ placement, section: sections[n % sections.length]?.id ?? null, after: null },
    });
    return [];
  },
  async ({ collection, people }, who, _, n) => {
    const { items } = await as(who, "collections.items", { collection });
    const placement = items[n % items.length]!.id;
    await perform(who, "placements.ask", { placement, person: people[n % people.length]!.person!.id });
    await perform(people[n % people.length]!, "placements.done", { placement });
    return [];
  },
  async ({ link }, who, token) => {
    const suggestion = newId();
    const offer = { page: link, suggestion, name: "Ada", text: `Have ${token}` };
    // Sent twice, as a browser does that has heard nothing.
    const done = await Promise.all([1, 2].map(() => perform(STRANGER, "suggestions.offer", offer)));
    return done.some((one) => one) ? [{ entry: null, by: who, token, where: "suggestions" }] : [];
  },
  async ({ handout, cards, placement }, who, token, n) => {
    const card = cards[n % cards.length]!;
    const read = await as(STRANGER, "sheets.read", { card, handout });
    const own = read.parts.flatMap((part) => part.sections.flatMap((one) => one.items));
    const { answer } = own.find((one) => one.id === placement)!;
    const done = await perform(STRANGER, "sheets.write", {
      ...{ card, handout, item: placement, answer: `${answer} ${token}`, base: { answer } },
    });
    return done ? [{ entry: null, by: who, token, where: "sheets" }] : [];
  },
  async ({ handout }, who) => {
    await perform(who, "handouts.correct", { handout });
    return [];
  },
];

/** Everything there is, as one of them sees it. */
async function seenBy({ collection, handout, group }: Scene, owner: Actor): Promise<Seen> {
  const { items } = await as(owner, "collections.items", { collection });
  // Who takes back that they brought something in takes it to the bin with what others wrote at it, and it comes back from there.
  const binned = await database()
    .select({ context: placement.context })
    .from(placement)
    .where(and(eq(placement.collection, collection), isNotNull(placement.deletedAt)));
  const { comments } = await as(owner, "comments.of-collection", { collection });
  const { waiting } = await as(owner, "suggestions.read", { collection });
  const { learners } = await as(owner, "groups.look", { group });
  const sheets = await Promise.all(
    learners.map(({ card }) => as(STRANGER, "sheets.read", { card, handout })),
  );
  return {
    items: JSON.stringify(items.map((one) => one.resource.title)),
    contexts: JSON.stringify([...items, ...binned].map((one) => one.context)),
    comments: JSON.stringify(comments.map((one) => one.words)),
    suggestions: JSON.stringify(waiting.map((one) => one.text)),
    sheets: JSON.stringify(sheets),
  };
}
const times = (text: string, token: string) => text.split(token).length - 1;

test("twenty people do anything in any order, all at once: nothing that was acknowledged is lost or there twice, and all see the same", async () => {
  const did = { done: 0, undone: 0 };
  await fc.assert(
    fc.asyncProperty(
      // Past the deeds one takes back: often enough that some is taken back whatever is drawn, of so many that enough is left.
      fc.array(fc.tuple(fc.nat(DEEDS.length + 2), fc.nat(60)), { minLength: 80, maxLength: 80 }),
      async (steps) => {
        const scene = await twenty();
        const there: Acknowledged[] = [];
        const gone: Acknowledged[] = [];
        for (let i = 0; i < steps.length; i += 20)
          await Promise.all(
            steps.slice(i, i + 20).map(async ([deed, n], k) => {
              const who = scene.people[k % scene.people.length]!;
              const act = DEEDS[deed];
              if (act) return there.push(...(await act(scene, who, `w${newId().replace(/-/g, "")}`, n)));
              // One takes back what one did last, if one did something.
              const own = there.findLast((one) => one.by === who && one.entry !== null);
              if (!own) return;
              there.splice(there.indexOf(own), 1);
              const back = await perform(who, "history.undo", { team: scene.team, entry: own.entry! });
              (back?.done ? gone : there).push(own);
            }),
          );
        const seen = await seenBy(scene, scene.owner);
        for (const { token, where } of there) expect([where, times(seen[where], token)]).toEqual([where, 1]);
        for (const { token, where } of gone) expect([where, times(seen[where], token)]).toEqual([where, 0]);
        did.done += there.length;
        did.undone += gone.length;
        // Everybody, guests too, has the same before them, and what is told leads to it.
        const { collection, owner } = scene;
        const shown = async (who: Actor) =>
          (await as(who, "collections.items", { collection })).items.map(({ id, context, section }) => [
            id,
            context,
            section,
          ]);
        const all = await Promise.all(scene.people.map(shown));
        expect(new Set(all.map((one) => JSON.stringify(one))).size).toBe(1);
        const { events } = await as(owner, "collections.happened", { collection });
        const then = await as(owner, "collections.then", { collection, event: events[0]!.id });
        expect(then.items.map(({ id, context, section }) => [id, context, section])).toEqual(all[0]);
        expect(await countedOtherwise(scene.team)).toEqual([]);
      },
    ),
    // At once, a smaller run need not fail again.
    { numRuns: 6, endOnFailure: true },
  );
  expect(did.done).toBeGreaterThan(100);
  expect(did.undone).toBeGreaterThan(5);
}, 300_000);
