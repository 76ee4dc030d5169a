import { eq } from "drizzle-orm";
import { STARTER } from "@/core/appraise/starter-criteria";
import { addJobs } from "@/data/queries/jobs";
import { linkWatch, mailMessage, resource as resources, ruleHit } from "@/data/schema";
import { type Actor, STRANGER } from "@/mechanism/actor";
import { database } from "@/mechanism/changing";
import { newId } from "@/outside/random";
import { as, guestOf, makeWorld, type World } from "./world";

/** A team in which there is one of everything an action can be about, by their ids. */
export type Full = World & {
  invitation: string;
  guestInvitation: string;
  /** Something that happened in the collection. */
  event: string;
  job: string;
  picture: string;
  import: string;
  rule: string;
  hit: string;
  message: string;
  tag: string;
  otherTag: string;
  /** Another collection at the top, with a section. */
  other: string;
  otherSection: string;
  /** A collection that everybody can see. */
  lent: string;
  /** A copy of that with credit. */
  borrowed: string;
  credit: string;
  /** What a reader said of the collection everybody sees. */
  thanks: string;
  /** By which the contributor follows a feed. */
  feedFollow: string;
  /** A section of what everybody can see. */
  lentPart: string;
  /** Another resource, in the other collection. */
  twin: string;
  mark: string;
  comment: string;
  meaning: string;
  /** By which the resource is judged, and the round in which it was and that is being settled. */
  criteria: string;
  round: string;
  /** A search that was made for it. */
  searchRecord: string;
  /** Which the item serves. */
  outcome: string;
  /** A group with a name in it, its card, and what was handed out to it. */
  group: string;
  learner: string;
  card: string;
  handout: string;
  find: string;
  /** Where things are suggested for the collection, and something that was. */
  page: string;
  suggestion: string;
  giver: string;
  /** Guests of the collection, and an editor of the other one. */
  guests: Record<"viewer" | "contributor" | "editor" | "elsewhere", Actor>;
  /** One of each kind in the bin. */
  binned: { collection: string; section: string; placement: string; resource: string };
};

async function giveThanks({ owner }: World, collection: string): Promise<string> {
  const { code } = await as(owner, "share.read", { collection });
  const thanks = newId();
  await as(STRANGER, "thanks.give", { code, thanks, words: "It helped." });
  return thanks;
}

async function followFeed({ contributor, team }: World): Promise<string> {
  await as(contributor, "follows.add", { team, kind: "feed", what: "https://bog.example/feed" });
  return (await as(contributor, "follows.read", { team })).follows[0]!.id;
}

/** A team in which there is one of everything an action can be about. */
export async function makeFull(): Promise<Full> {
  const made = await makeWorld();
  const { invitation } = await as(made.owner, "invitations.make", { team: made.team, role: "viewer" });
  const job = newId();
  await addJobs(database(), [
    {
      id: job,
      kind: "test.none",
      team: made.team,
      payload: {},
      createdAt: new Date(),
      runAt: new Date(Date.now() + 1e9),
    },
  ]);
  const picture = "ab".repeat(32);
  await database().update(resources).set({ pictureHash: picture }).where(eq(resources.id, made.resource));
  const intake = newId();
  await as(made.owner, "imports.stage", {
    team: made.team,
    import: intake,
    name: "list",
    separator: "comma",
    places: [],
    total: 1,
  });
  const rule = newId();
  await as(made.owner, "rules.save", {
    team: made.team,
    rule,
    name: "From the bog",
    host: "bog.example",
    tags: ["bog"],
    acts: false,
  });
  const hit = newId();
  const at = new Date();
  await database()
    .insert(ruleHit)
    .values({ id: hit, rule, resource: made.resource, team: made.team, state: "suggested", createdAt: at });
  const message = newId();
  await database().insert(mailMessage).values({
    id: message,
    mailbox: newId(),
    team: made.team,
    person: made.owner.person!.id,
    identity: "m",
    sender: "Ada <ada@bog.example>",
    subject: "x",
    state: "held",
    original: picture,
    links: [],
    createdAt: at,
  });
  await as(made.owner, "tags.add", { resource: made.resource, tags: ["bog", "fen"] });
  const [tag, otherTag] = (await as(made.owner, "tags.read", { team: made.team })).tags;
  const other = await makeCollection(made, "Another collection");
  const { resource: second } = await capture(made, { collection: other.collection, section: other.section });
  const { collection: lent, section: lentPart } = await makeCollection(made, "A collection for everybody");
  await as(made.owner, "share.set", { collection: lent, audience: "public" });
  const borrowed = newId();
  await as(made.owner, "shelves.borrow", { team: made.team, collection: lent, copy: borrowed });
  const { credits } = await as(made.owner, "shelves.credits", { collection: borrowed });
  await as(made.owner, "teams.set-page", { team: made.team, open: true });
  await as(made.owner, "people.set-page", { open: true });
  const { mark } = await as(made.owner, "marks.add", {
    resource: made.resource,
    private: false,
    note: "Begin here",
  });
  const { comment } = await as(made.owner, "comments.add", {
    ...{ collection: made.collection, placement: made.placement, words: "Is this still so?" },
  });
  const { meaning } = await as(made.owner, "meanings.save", { team: made.team, name: "doubt" });
  return {
    ...made,
    invitation: invitation.id,
    job,
    picture,
    import: intake,
    rule,
    hit,
    message,
    tag: tag!.id,
    otherTag: otherTag!.id,
    other: other.collection,
    otherSection: other.section,
    lent,
    borrowed,
    credit: credits[0]!.id,
    feedFollow: await followFeed(made),
    thanks: await giveThanks(made, lent),
    lentPart,
    twin: second.id,
    mark: mark.id,
    comment: comment.id,
    meaning: meaning.id,
    ...(await judge(made)),
    ...(await handOut(made)),
    ...(await suggest(made, other.collection)),
    guests: {
      viewer: await guestOf(made.owner, made.collection, "viewer"),
      contributor: await guestOf(made.owner, made.collection, "contributor"),
      editor: await guestOf(made.owner, made.collection, "editor"),
      elsewhere: await guestOf(made.owner, other.collection, "editor"),
    },
    guestInvitation: (
      await as(made.owner, "guests.make-link", { collection: made.collection, role: "viewer" })
    ).invitation.id,
    event: (await as(made.owner, "collections.happened", { collection: made.collection })).events[0]!.id,
    binned: await fillBin(made),
  };
}

async function makeCollection({ owner, team }: World, title: string) {
  const { collection } = await as(owner, "collections.make", { team, title });
  const { section } = await as(owner, "sections.make", { collection: collection.id, title: "A section" });
  return { collection: collection.id, section: section.id };
}

const capture = ({ owner, team }: World, where: { collection: string; section: string | null }) =>
  as(owner, "capture.address", { team, address: `https://bog.example/${newId()}`, ...where });

/** Hands the collection out to a group of one, who found something. */
async function handOut({ owner, team, collection }: World) {
  const { group } = await as(owner, "groups.make", { team, title: "7a", names: ["Ada"] });
  const [one] = (await as(owner, "groups.look", { group: group.id })).learners;
  const { handout } = await as(owner, "handouts.make", { collection, group: group.id, writes: true });
  const { card, id: learner } = one!;
  const { find } = await as(STRANGER, "sheets.add-find", {
    ...{ card, handout: handout.id, address: "https://bog.example/found" },
  });
  return { group: group.id, learner, card, handout: handout.id, find: find.id };
}

/** Judges the resource in a round, and opens that; says which outcome its item serves. */
async function judge({ owner, team, resource, placement }: World) {
  const { criteria } = await as(owner, "criteria.save", {
    ...{ team, name: STARTER.name, content: STARTER.criteria },
  });
  const { round } = await as(owner, "rounds.start", {
    ...{ team, title: "A round", criteria: criteria.id, resources: [resource] },
    ...{ people: [owner.person!.id], each: 1, blind: true },
  });
  await as(owner, "appraisals.give", {
    ...{ resource, criteria: criteria.id, number: 1, round: round.id },
    answers: { accuracy: { step: 2, why: "It names no sources." } },
  });
  await as(owner, "rounds.edit", { round: round.id, state: "settling" });
  const { outcomes } = await as(owner, "outcomes.add", { team, text: "1 Say what peat is" });
  const outcome = outcomes[0]!;
  await as(owner, "outcomes.serve", { placement, outcome, degree: "full" });
  const found = { state: "gone" as const, times: 2, nextAt: new Date() };
  await database()
    .insert(linkWatch)
    .values({ resource, team, host: "bog.example", ...found });
  const made = { round: round.id, kind: "database", source: "Bog index", words: "peat AND water", hits: 12 };
  const { searchRecord } = await as(owner, "search-records.save", made);
  return { criteria: criteria.id, round: round.id, searchRecord, outcome };
}

/** Opens the collection and another one for suggestions, and suggests something for the first. */
async function suggest({ owner, collection }: World, other: string) {
  const { link: page } = await as(owner, "suggestions.set-page", { collection });
  await as(owner, "suggestions.set-page", { collection: other });
  const offered = { page, suggestion: newId(), name: "Ada", address: "https://bog.example/suggested" };
  const { giver } = await as(STRANGER, "suggestions.offer", offered);
  return { page, giver, suggestion: offered.suggestion };
}

/** Puts one of each kind into the bin. */
async function fillBin(made: World): Promise<Full["binned"]> {
  const { collection } = await makeCollection(made, "One that went");
  await as(made.owner, "collections.remove", { collection });
  const here = { collection: made.collection, section: made.section };
  const { item } = await capture(made, here);
  await as(made.owner, "placements.remove", { placement: item!.id });
  const { resource } = await capture(made, here);
  await as(made.owner, "resources.remove", { resource: resource.id });
  const part = await as(made.owner, "sections.make", { collection: made.collection, title: "A part" });
  await as(made.owner, "sections.remove", { section: part.section.id });
  return { collection, section: part.section.id, placement: item!.id, resource: resource.id };
}
