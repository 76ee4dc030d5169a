import { eq } from "drizzle-orm";
import path from "node:path";
import { quoteAt } from "@/core/marks/selectors";
import { textOfCopy } from "@/core/marks/text-of-copy";
import { closeDatabase } from "@/data/database";
import { migrate } from "@/data/migrate";
import { findReader } from "@/data/queries/newsletters";
import { queueState } from "@/data/queries/jobs";
import { person } from "@/data/schema";
import { KINDS } from "@/jobs/kinds";
import { Worker } from "@/jobs/worker";
import { STRANGER, type Actor } from "@/mechanism/actor";
import { database } from "@/mechanism/changing";
import { setClock } from "@/outside/clock";
import { newId } from "@/outside/random";
import { settings } from "@/outside/settings";
import { auth } from "@/services/accounts/auth";
import { feedSome } from "@/services/search/feed";
import { Calendar } from "./calendar";
import { call } from "./call";
import { COLLECTIONS, type DemoCollection, type DemoItem, EDITIONS, FOUND, LATER, TRAY } from "./collections";
import { judge, screen } from "./judge";
import { JUDGED, OUTCOMES, SCREENED } from "./judging";
import { bringLinks, LINKED, lookAtThem } from "./links";
import { MARKS, MEANINGS, NOTE_ON_THE_WHOLE } from "./marks";
import { sayTimes, TIMED } from "./timing";
import { PASSWORD, PEOPLE, TEAMS, type Who } from "./people";
import {
  ABOUT_LANTERN,
  ABOUT_RHEA,
  FOLLOWED,
  GUEST,
  HANDOUT,
  NEWSLETTER,
  PORTFOLIO,
  SHOWN,
  SUGGESTED,
  TALK,
} from "./uses";

/** Brings in the demo through the same services as people use, from the stand-in web on this port. */
export async function seed(webPort: number): Promise<void> {
  await migrate(settings().databaseUrl, path.join(process.cwd(), "src/data/migrations"));
  const actors = await signUpAll();
  const calendar = new Calendar(new Date());
  setClock(calendar.now);
  const teams = await makeTeams(actors);
  const worker = new Worker(KINDS);
  await worker.start();
  const at = (place: string) => place.replace(/^([^/]+)/, `http://$1.localhost:${webPort}`);
  const collections = new Map<string, string>();
  const lantern = teams.get("Lantern Moss")!;
  const collect = async (wish: DemoCollection) => {
    const [owner, ...others] = WORKING[wish.team].map((who) => actors[who]);
    const team = teams.get(wish.team)!;
    const parent = wish.inside ? collections.get(wish.inside)! : null;
    const { title, about: description } = wish;
    const { collection } = await call(owner!, "collections.make", { team, title, description, parent });
    collections.set(title, collection.id);
    for (const { title, items } of wish.sections) {
      const section = title
        ? (await call(owner!, "sections.make", { collection: collection.id, title })).section.id
        : null;
      for (const [n, item] of items.entries()) {
        // Most is of one hand, and now and then somebody else adds something.
        const who = n % 4 === 2 ? (others[n % others.length] ?? owner!) : owner!;
        await place(who, team, collection.id, section, at(item[0]), item);
        // Two or three things at a sitting; a collection grows over days.
        if (n % 3 === 2) calendar.pause(1 + (n % 4));
        else calendar.tick();
      }
    }
    const { audience, view = "rows" } = wish;
    if (audience) {
      await call(owner!, "share.set", { collection: collection.id, audience, reach: "all", view });
      await call(owner!, "codes.make", { collection: collection.id });
    }
  };
  const find = async (found: string) => {
    await call(actors.jonas, "capture.address", { team: teams.get("Rewetting review")!, address: at(found) });
  };
  const lookAgain = async ({ who, collection, tag }: (typeof LATER)[number]) => {
    const { items } = await call(actors[who], "collections.items", {
      collection: collections.get(collection)!,
    });
    for (const { resource } of items.slice(0, 2)) {
      await call(actors[who], "tags.add", { resource: resource.id, tags: [tag] });
      calendar.tick();
    }
  };
  const keep = async ({ collection, words }: (typeof EDITIONS)[number]) => {
    await call(actors.ama, "editions.keep", { collection: collections.get(collection)!, words });
  };
  const newsletter = () => collections.get(NEWSLETTER.collection)!;
  const sendIssue = async () => {
    const { subject, greeting, closing } = NEWSLETTER;
    const collection = newsletter();
    await call(actors.ama, "collections.use", { collection, use: "newsletter" });
    const { code } = await call(actors.ama, "share.set", { collection, audience: "link" });
    for (const address of NEWSLETTER.readers) {
      await call(STRANGER, "newsletters.ask", { code, address });
      const { token } = (await findReader(database(), collection, address))!;
      await call(STRANGER, "newsletters.confirm", { token });
      calendar.tick();
    }
    await call(actors.ama, "newsletters.write", { collection, subject, greeting, closing });
    await call(actors.ama, "newsletters.send", { collection, issue: newId() });
  };
  const writeNext = async () => {
    const [place, context] = NEWSLETTER.next;
    const collection = newsletter();
    const address = at(place);
    const { sections } = await call(actors.ama, "collections.sections", { collection });
    const section = sections.find((one) => one.title === "New this time")!.id;
    const wish = { team: lantern, collection, section, address, again: true };
    const { item } = await call(actors.ama, "capture.address", wish);
    await call(actors.ama, "placements.edit", { placement: item!.id, context });
    await call(actors.ama, "newsletters.write", { collection, greeting: NEWSLETTER.draft });
  };
  const showWork = async () => {
    const { title, about, shows, single } = PORTFOLIO;
    const made = await call(actors.rhea, "collections.make", { team: lantern, title });
    const collection = made.collection.id;
    await call(actors.rhea, "collections.edit", { collection, description: about });
    await call(actors.rhea, "collections.use", { collection, use: "portfolio" });
    const { sections } = await call(actors.rhea, "collections.sections", { collection });
    const [works, things] = sections.map((one) => one.id);
    const chosen = shows.map(([name]) => collections.get(name)!);
    const { items } = await call(actors.rhea, "portfolios.add", { collection, section: works, chosen });
    for (const [i, [, context]] of shows.entries()) {
      await call(actors.rhea, "placements.edit", { placement: items[i]!.id, context });
      calendar.tick();
    }
    const wish = { team: lantern, collection, section: things, address: at(single.at), again: true };
    const { item, resource } = await call(actors.rhea, "capture.address", wish);
    const { context, part, captions } = single;
    await call(actors.rhea, "placements.edit", { placement: item!.id, context, ...part });
    await call(actors.rhea, "resources.set-kind", { team: lantern, resources: [resource.id], kind: "video" });
    await call(actors.rhea, "resources.give-captions", { resource: resource.id, captions });
    await call(actors.rhea, "share.set", { collection, audience: "public" });
  };
  const wait = async (waiting: string) => {
    await call(actors.ama, "capture.address", { team: lantern, address: at(waiting) });
  };
  const letIn = async () => {
    const collection = collections.get(GUEST.collection)!;
    const wish = { collection, role: "contributor", most: 1 };
    const { invitation } = await call(actors[GUEST.by], "guests.make-link", wish);
    await call(actors[GUEST.who], "invitations.accept", { code: invitation.code });
  };
  const talk = async () => {
    const collection = collections.get(TALK.collection)!;
    const { items } = await call(actors[TALK.said[0][0]], "collections.items", { collection });
    const placement = items[TALK.item]!.id;
    let thread: string | undefined;
    for (const [who, words] of TALK.said) {
      const { comment } = await call(actors[who], "comments.add", { collection, placement, words, thread });
      thread ??= comment.id;
      calendar.tick();
    }
    const { by, who, item, days } = TALK.asked;
    const until = new Date(calendar.now().getTime() + days * 86_400_000).toISOString().slice(0, 10);
    const person = actors[who].person!.id;
    await call(actors[by], "placements.ask", { placement: items[item]!.id, person, until });
  };
  const showThemselves = async () => {
    await call(actors.rhea, "people.set-page", { open: true, words: ABOUT_RHEA });
    await call(actors.ama, "teams.set-page", { team: lantern, open: true, words: ABOUT_LANTERN });
  };
  const follow = async () => {
    const { by, site } = FOLLOWED;
    await call(actors[by], "follows.add", { team: lantern, kind: "feed", what: at(site) });
  };
  const show = async () => {
    const collection = collections.get(SHOWN.collection)!;
    const shown = collections.get(SHOWN.shown)!;
    const placement = newId();
    await call(actors[SHOWN.by], "shelves.show", { collection, shown, placement });
    await call(actors[SHOWN.by], "placements.edit", { placement, context: SHOWN.context });
  };
  const writeOutcomes = async () => {
    const { outcomes: ids } = await call(actors.ama, "outcomes.add", { team: lantern, text: OUTCOMES.text });
    const codes = new Map(OUTCOMES.text.split("\n").map((line, i) => [line.split(" ")[0]!, ids[i]!]));
    for (const [title, at, code, degree] of OUTCOMES.serves) {
      const { items } = await call(actors.ama, "collections.items", { collection: collections.get(title)! });
      const placement = items.filter((item) => item.look === "item")[at]?.id;
      if (placement)
        await call(actors.ama, "outcomes.serve", { placement, outcome: codes.get(code)!, degree });
      calendar.tick();
    }
  };
  let links: Awaited<ReturnType<typeof bringLinks>> = [];
  const bring = async () => {
    links = await bringLinks(actors[LINKED.by], lantern, collections.get(LINKED.collection)!, at);
  };
  const judging = judge(actors, lantern, () => calendar.tick());
  /** Everything that happens, by how long ago. */
  const happens: [daysAgo: number, () => Promise<void>][] = [
    ...COLLECTIONS.map((wish): [number, () => Promise<void>] => [wish.daysAgo, () => collect(wish)]),
    ...FOUND.map((found, i): [number, () => Promise<void>] => [70 - Math.floor(i / 2), () => find(found)]),
    ...LATER.map((one): [number, () => Promise<void>] => [one.daysAgo, () => lookAgain(one)]),
    ...EDITIONS.map((one): [number, () => Promise<void>] => [one.daysAgo, () => keep(one)]),
    [NEWSLETTER.sentDaysAgo, sendIssue],
    [NEWSLETTER.thenDaysAgo, writeNext],
    [PORTFOLIO.daysAgo, showWork],
    [GUEST.daysAgo, letIn],
    [TALK.daysAgo, talk],
    [SHOWN.daysAgo, show],
    [OUTCOMES.daysAgo, writeOutcomes],
    [LINKED.daysAgo, bring],
    [TIMED.daysAgo, () => sayTimes(actors[TIMED.by], collections, () => calendar.tick())],
    [JUDGED.daysAgo, () => judging.first(collections.get(JUDGED.collection)!)],
    [JUDGED.next.daysAgo, () => judging.next(collections.get(JUDGED.next.collection)!)],
    [
      SCREENED.daysAgo,
      () =>
        screen(actors, teams.get(SCREENED.team)!, collections.get(SCREENED.collection)!, () =>
          calendar.tick(),
        ),
    ],
    [
      HANDOUT.daysAgo,
      () => handOut(actors.ama, lantern, collections.get(HANDOUT.collection)!, at, () => calendar.tick()),
    ],
    [
      SUGGESTED.daysAgo,
      () => suggest(actors.ama, collections.get(SUGGESTED.collection)!, at, () => calendar.tick()),
    ],
    ...TRAY.map((one, i): [number, () => Promise<void>] => [Math.max(1, 14 - i), () => wait(one)]),
  ];
  for (const [daysAgo, happen] of happens.sort(([a], [b]) => b - a)) {
    calendar.daysAgo(daysAgo);
    await happen();
    calendar.tick();
  }
  // What is left is done today.
  setClock(null);
  await follow();
  await showThemselves();
  while (true) {
    const { waiting, running } = await queueState(database(), new Date(), new Date());
    if (!waiting && !running) break;
    // What is left for a later day is not waited for.
    if (waiting === 1 && !running) break;
    await new Promise((resolve) => setTimeout(resolve, 200));
  }
  await worker.stop();
  await lookAtThem(lantern, links);
  calendar.daysAgo(3);
  setClock(calendar.now);
  await markTexts(actors, lantern, at, () => calendar.tick());
  setClock(null);
  while ((await feedSome(lantern)) > 0);
}

/** Hands a collection out to a class, of whom some have begun. */
async function handOut(
  teacher: Actor,
  team: string,
  collection: string,
  at: (place: string) => string,
  tick: () => void,
): Promise<void> {
  const { names, work } = HANDOUT;
  const { group } = await call(teacher, "groups.make", { team, title: HANDOUT.group, names });
  const { learners } = await call(teacher, "groups.look", { group: group.id });
  const { id: handout } = (
    await call(teacher, "handouts.make", { collection, group: group.id, writes: true })
  ).handout;
  for (const { name, card } of learners) {
    const own = work[name];
    if (!own) continue;
    const theirs = { card, handout };
    await call(STRANGER, "sheets.open", theirs);
    const { parts } = await call(STRANGER, "sheets.read", theirs);
    const items = parts
      .flatMap((part) => part.sections.flatMap((section) => section.items))
      .filter((item) => item.look === "item");
    for (const item of items.slice(0, own.done))
      await call(STRANGER, "sheets.write", { ...theirs, item: item.id, done: true });
    for (const [i, answer] of Object.entries(own.answers))
      await call(STRANGER, "sheets.write", { ...theirs, item: items[Number(i)]!.id, answer });
    if (own.own)
      await call(STRANGER, "sheets.write", { ...theirs, item: items[own.own[0]]!.id, context: own.own[1] });
    if (own.find) {
      const [address, context] = [at(own.find[0]), own.find[1]];
      await call(STRANGER, "sheets.add-find", { ...theirs, address, context });
    }
    if (own.handedIn) await call(STRANGER, "sheets.hand-in", { ...theirs, handedIn: true });
    tick();
  }
}

/** What was marked in the texts, and what is meant by it. */
async function markTexts(
  actors: Record<Who, Actor>,
  team: string,
  at: (place: string) => string,
  tick: () => void,
): Promise<void> {
  const meanings = new Map<string, string>();
  for (const name of MEANINGS) {
    meanings.set(name, (await call(actors.ama, "meanings.save", { team, name })).meaning.id);
    tick();
  }
  for (const { at: place, by, note, ...more } of [...MARKS, NOTE_ON_THE_WHOLE]) {
    const { words, meaning, alone = false } = { ...more } as Partial<(typeof MARKS)[number]>;
    const { known } = await call(actors[by], "resources.known", { team, addresses: [at(place)] });
    const resource = known[0]!;
    const { html, number } = await call(actors[by], "resources.text", { resource });
    const text = textOfCopy(html ?? "");
    const start = words ? text.indexOf(words) : -1;
    if (words && start < 0) throw new Error(`“${words}” does not stand in ${place}`);
    const end = start + (words?.length ?? 0);
    const marked = words && {
      selector: { type: "TextQuoteSelector", ...quoteAt(text, start, end) },
      ...{ start, end, version: number },
    };
    const meant = meaning ? { meaning: meanings.get(meaning) } : {};
    await call(actors[by], "marks.add", { resource, private: alone, note, ...marked, ...meant });
    tick();
  }
}

/** Who makes the collections of a team: the first most of it. */
const WORKING: Record<(typeof TEAMS)[number]["name"], Who[]> = {
  "Lantern Moss": ["ama", "rhea", "ines"],
  "Rewetting review": ["jonas", "bett"],
  "Year 10, science": ["ama", "rhea"],
};

async function signUpAll(): Promise<Record<Who, Actor>> {
  const actors = {} as Record<Who, Actor>;
  for (const [who, { name, email }] of Object.entries(PEOPLE) as [Who, (typeof PEOPLE)[Who]][]) {
    const { user } = await auth().api.signUpEmail({ body: { name, email, password: PASSWORD } });
    await database().update(person).set({ emailVerified: true }).where(eq(person.id, user.id));
    actors[who] = { person: { id: user.id, name, email }, share: null };
  }
  return actors;
}

async function makeTeams(actors: Record<Who, Actor>): Promise<Map<string, string>> {
  const teams = new Map<string, string>();
  for (const { name, owner, members } of TEAMS) {
    const { team } = await call(actors[owner], "teams.make", { name });
    teams.set(name, team.id);
    for (const [who, role] of Object.entries(members) as [Who, string][]) {
      const { invitation } = await call(actors[owner], "invitations.make", { team: team.id, role });
      await call(actors[who], "invitations.accept", { code: invitation.code });
    }
  }
  return teams;
}

async function place(
  actor: Actor,
  team: string,
  collection: string,
  section: string | null,
  address: string,
  [, context, tags, heading]: DemoItem,
): Promise<void> {
  const { resource, item } = await call(actor, "capture.address", {
    team,
    address,
    collection,
    section,
    again: true,
  });
  if (context || heading)
    await call(actor, "placements.edit", { placement: item!.id, context, ...(heading && { heading }) });
  await call(actor, "tags.add", { resource: resource.id, tags: tags.split(", ") });
}

if (process.argv[1]?.endsWith("seed.ts")) {
  await seed(Number(process.argv[2]));
  await closeDatabase();
  process.exit(0);
}

/** Opens a collection for suggestions, has some come, and decides on a few. */
async function suggest(
  curator: Actor,
  collection: string,
  at: (place: string) => string,
  tick: () => void,
): Promise<void> {
  const { ask, holds, given } = SUGGESTED;
  const { link: page } = await call(curator, "suggestions.set-page", { collection, ask, holds });
  let giver: string | undefined;
  for (const [i, { name, text, at: place, why, decided }] of given.entries()) {
    const known = given[i - 1]?.name === name ? { giver } : {};
    const what = place ? { address: at(place) } : { text };
    const done = await call(STRANGER, "suggestions.offer", {
      ...{ page, suggestion: newId(), name, why: why ?? "" },
      ...what,
      ...known,
    });
    giver = done.giver;
    tick();
    if (!decided) continue;
    const { accept, word } = decided;
    const action = accept ? "suggestions.accept" : "suggestions.decline";
    await call(curator, action, { collection, suggestions: [done.suggestion.id], word });
    tick();
  }
}
