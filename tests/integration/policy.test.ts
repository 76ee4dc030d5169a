import { readdirSync } from "node:fs";
import { eq } from "drizzle-orm";
import { beforeAll, describe, expect, test } from "vitest";
import { addJobs } from "@/data/queries/jobs";
import { mailMessage, resource, ruleHit } from "@/data/schema";
import { database } from "@/mechanism/changing";
import { Problem } from "@/mechanism/problem";
import { newId } from "@/outside/random";
import { ACTIONS, type ActionName } from "@/services/registry";
import { as, makeWorld, somebody, type World } from "./world";

type Who = "stranger" | "holder" | "viewer" | "contributor" | "editor" | "owner";
const WHO: Who[] = ["stranger", "holder", "viewer", "contributor", "editor", "owner"];

/** Who may, from the least; everybody after it in the order of roles may too. */
type From = "viewer" | "contributor" | "editor" | "owner";
type Full = World & {
  invitation: string;
  job: string;
  picture: string;
  import: string;
  rule: string;
  hit: string;
  merge: string;
  message: string;
  tag: string;
};
type Row = { from: From | "signed in" | "reader" | "everybody"; input: (world: Full) => object };

/** The written table: every action has its row, and the walk below compares each with what the policy does. */
const TABLE: Record<ActionName, Row> = {
  "bin.read": { from: "editor", input: ({ team }) => ({ team }) },
  "bin.restore-collection": { from: "editor", input: ({ collection }) => ({ collection }) },
  "bin.restore-placement": { from: "editor", input: ({ placement }) => ({ placement }) },
  "bin.restore-resource": { from: "editor", input: ({ resource }) => ({ resource }) },
  "bin.restore-section": { from: "editor", input: ({ section }) => ({ section }) },
  "capture.address": {
    from: "contributor",
    input: ({ team }) => ({ team, address: "https://bog.example/x" }),
  },
  "capture.file": { from: "contributor", input: ({ team }) => ({ team, upload: newId() }) },
  "capture.note": { from: "contributor", input: ({ team }) => ({ team, text: "x" }) },
  "capture.page": { from: "contributor", input: ({ team }) => ({ team, address: "https://bog.example/s" }) },
  "capture.work": { from: "contributor", input: ({ team }) => ({ team, type: "book", title: "x" }) },
  "collections.be-here": { from: "viewer", input: ({ collection }) => ({ collection }) },
  "collections.duplicate": { from: "editor", input: ({ collection }) => ({ collection, items: true }) },
  "collections.move": { from: "editor", input: ({ collection }) => ({ collection, parent: null }) },
  "collections.put-away": { from: "editor", input: ({ collection }) => ({ collection, away: true }) },
  "collections.set-view": {
    from: "viewer",
    input: ({ collection }) => ({ collection, view: "rows", sort: "own", down: false, columns: [] }),
  },
  "collections.cover": {
    from: "editor",
    input: ({ collection }) => ({ collection, picture: "AAAA" }),
  },
  "collections.tag": { from: "editor", input: ({ collection }) => ({ collection, tags: ["x"] }) },
  "search.facets": { from: "viewer", input: ({ team }) => ({ team, query: "x" }) },
  "search.find": { from: "viewer", input: ({ team }) => ({ team, query: "x" }) },
  "saved-searches.forget": { from: "viewer", input: ({ team, resource }) => ({ team, search: resource }) },
  "saved-searches.save": { from: "viewer", input: ({ team }) => ({ team, name: "x", query: "x" }) },
  "saved-searches.read": { from: "viewer", input: ({ team }) => ({ team }) },
  "saved-searches.look": { from: "viewer", input: ({ team, resource }) => ({ team, search: resource }) },
  "tags.delete": { from: "editor", input: ({ team }) => ({ team, tags: [] }) },
  "tags.look": { from: "viewer", input: ({ tag }) => ({ tag }) },
  "tags.merge": { from: "editor", input: ({ tag }) => ({ tag, others: [] }) },
  "tags.preview-merge": { from: "viewer", input: ({ tag }) => ({ tag, others: [] }) },
  "tags.rename": { from: "editor", input: ({ tag }) => ({ tag, name: "Other name" }) },
  "tags.suggest": { from: "viewer", input: ({ resource }) => ({ resource }) },
  "tags.tend": { from: "viewer", input: ({ team }) => ({ team }) },
  "resources.history": { from: "viewer", input: ({ resource }) => ({ resource }) },
  "resources.use": { from: "viewer", input: ({ resource }) => ({ resource }) },
  "collections.covers": { from: "viewer", input: ({ team }) => ({ team }) },
  "collections.edit": { from: "editor", input: ({ collection }) => ({ collection, title: "Other" }) },
  "collections.items": { from: "viewer", input: ({ collection }) => ({ collection }) },
  "collections.make": { from: "editor", input: ({ team }) => ({ team, title: "New" }) },
  "collections.read": { from: "viewer", input: ({ collection }) => ({ collection }) },
  "collections.remove": { from: "editor", input: ({ collection }) => ({ collection }) },
  "collections.sections": { from: "viewer", input: ({ collection }) => ({ collection }) },
  "collections.some-items": {
    from: "viewer",
    input: ({ collection }) => ({ collection, placements: [], resources: [] }),
  },
  "collections.tree": { from: "viewer", input: ({ team }) => ({ team }) },
  "history.read": { from: "viewer", input: ({ team }) => ({ team }) },
  "history.redo": { from: "viewer", input: ({ team }) => ({ team }) },
  "history.undo": { from: "viewer", input: ({ team }) => ({ team }) },
  "events.listen": { from: "viewer", input: ({ team }) => ({ team }) },
  "events.recent": { from: "viewer", input: ({ team }) => ({ team }) },
  "export.collection": { from: "viewer", input: ({ collection }) => ({ collection, format: "markdown" }) },
  "files.begin": { from: "contributor", input: ({ team }) => ({ team, bytes: 1 }) },
  "files.read": { from: "viewer", input: ({ resource }) => ({ resource }) },
  "imports.add-lines": {
    from: "contributor",
    input: ({ import: intake }) => ({ import: intake, no: 0, lines: [] }),
  },
  "imports.list": { from: "contributor", input: ({ team }) => ({ team }) },
  "imports.read": { from: "contributor", input: ({ import: intake }) => ({ import: intake }) },
  "imports.rejected": { from: "contributor", input: ({ import: intake }) => ({ import: intake }) },
  "imports.set": {
    from: "contributor",
    input: ({ import: intake }) => ({ import: intake, transition: "start" }),
  },
  "imports.stage": {
    from: "contributor",
    input: ({ team }) => ({ team, import: newId(), name: "x", separator: "comma", places: [], total: 1 }),
  },
  "invitations.accept": { from: "signed in", input: () => ({ code: "x" }) },
  "invitations.make": { from: "owner", input: ({ team }) => ({ team, role: "viewer" }) },
  "invitations.read": { from: "signed in", input: () => ({ code: "x" }) },
  "invitations.revoke": { from: "owner", input: ({ invitation }) => ({ invitation }) },
  "jobs.dead": { from: "owner", input: ({ team }) => ({ team }) },
  "jobs.retry": { from: "owner", input: ({ job }) => ({ job }) },
  "messages.decide": { from: "contributor", input: ({ message }) => ({ message, take: true }) },
  "messages.of-resource": { from: "viewer", input: ({ resource }) => ({ resource }) },
  "messages.make-address": { from: "contributor", input: ({ team }) => ({ team }) },
  "messages.original": { from: "viewer", input: ({ message }) => ({ message }) },
  "messages.read": { from: "contributor", input: ({ team }) => ({ team }) },
  "messages.set-sender": { from: "signed in", input: () => ({ address: "a@bog.example", allow: true }) },
  "members.read": { from: "viewer", input: ({ team }) => ({ team }) },
  "members.remove": { from: "viewer", input: ({ team, owner }) => ({ team, person: owner.person!.id }) },
  "members.set-role": {
    from: "owner",
    input: ({ team, owner }) => ({ team, person: owner.person!.id, role: "owner" }),
  },
  "pictures.read": { from: "viewer", input: ({ picture }) => ({ hash: picture }) },
  "placements.add": { from: "contributor", input: ({ collection, resource }) => ({ collection, resource }) },
  "placements.copy-many": {
    from: "contributor",
    input: ({ collection }) => ({ collection, resources: [], ids: [] }),
  },
  "placements.edit": { from: "editor", input: ({ placement }) => ({ placement, context: "x" }) },
  "placements.move": { from: "editor", input: ({ placement }) => ({ placement, after: null }) },
  "placements.move-many": { from: "editor", input: ({ collection }) => ({ collection, placements: [] }) },
  "placements.remove-many": { from: "editor", input: ({ team }) => ({ team, placements: [] }) },
  "placements.remove": { from: "editor", input: ({ placement }) => ({ placement }) },
  "reader.read": { from: "reader", input: ({ collection }) => ({ collection }) },
  "references.look-up": { from: "signed in", input: () => ({ identifier: "x" }) },
  "resources.choose-picture": {
    from: "contributor",
    input: ({ resource }) => ({ resource, address: "https://bog.example/p.jpg" }),
  },
  "resources.edit": { from: "contributor", input: ({ resource }) => ({ resource, title: "x" }) },
  "resources.fetch-again": { from: "contributor", input: ({ resource }) => ({ resource }) },
  "resources.known": { from: "viewer", input: ({ team }) => ({ team, addresses: [] }) },
  "resources.newest": { from: "viewer", input: ({ team }) => ({ team }) },
  "resources.paste-text": { from: "contributor", input: ({ resource }) => ({ resource, text: "x" }) },
  "resources.proposal": { from: "contributor", input: ({ resource }) => ({ resource }) },
  "resources.read": { from: "viewer", input: ({ resource }) => ({ resource }) },
  "resources.remove-many": { from: "editor", input: ({ team }) => ({ team, resources: [] }) },
  "resources.set-kind": { from: "contributor", input: ({ team }) => ({ team, resources: [], kind: "page" }) },
  "resources.remove": { from: "editor", input: ({ resource }) => ({ resource }) },
  "resources.take-proposal": { from: "contributor", input: ({ resource }) => ({ resource, fields: [] }) },
  "resources.text": { from: "viewer", input: ({ resource }) => ({ resource }) },
  "rules.decide": { from: "contributor", input: ({ hit }) => ({ hit, take: true }) },
  "rules.preview": { from: "editor", input: ({ rule }) => ({ rule }) },
  "rules.read": { from: "viewer", input: ({ team }) => ({ team }) },
  "rules.remove": { from: "editor", input: ({ rule }) => ({ rule }) },
  "rules.run": { from: "editor", input: ({ rule }) => ({ rule }) },
  "rules.save": {
    from: "editor",
    input: ({ team }) => ({ team, rule: newId(), name: "x", host: "bog.example", tags: ["x"], acts: false }),
  },
  "sections.make": { from: "editor", input: ({ collection }) => ({ collection, title: "x" }) },
  "sections.move": { from: "editor", input: ({ section }) => ({ section, after: null }) },
  "sections.remove": { from: "editor", input: ({ section }) => ({ section }) },
  "sections.edit": { from: "editor", input: ({ section }) => ({ section, title: "x" }) },
  "share.renew": { from: "editor", input: ({ collection }) => ({ collection }) },
  "share.set": { from: "editor", input: ({ collection }) => ({ collection, audience: "public" }) },
  "tags.add": { from: "contributor", input: ({ resource }) => ({ resource, tags: ["x"] }) },
  "tags.change": { from: "contributor", input: ({ team }) => ({ team, resources: [], add: ["x"] }) },
  "tags.read": { from: "viewer", input: ({ team }) => ({ team }) },
  "tags.remove": { from: "contributor", input: ({ resource }) => ({ resource, tag: "x" }) },
  "teams.make": { from: "signed in", input: () => ({ name: "x" }) },
  "teams.read": { from: "signed in", input: () => ({}) },
  "teams.rename": { from: "owner", input: ({ team }) => ({ team, name: "x" }) },
  "tokens.offer": { from: "signed in", input: () => ({}) },
  "tokens.pair": { from: "everybody", input: () => ({ code: "x", name: "x" }) },
  "tokens.make": { from: "signed in", input: () => ({ name: "x" }) },
  "tokens.read": { from: "signed in", input: () => ({}) },
  "tokens.revoke": { from: "signed in", input: () => ({ token: newId() }) },
  "duplicates.keep-apart": { from: "contributor", input: ({ resource }) => ({ resource, other: newId() }) },
  "duplicates.merge": { from: "editor", input: ({ resource }) => ({ resource, gone: newId() }) },
  "duplicates.read": { from: "viewer", input: ({ team }) => ({ team }) },
  "duplicates.undo-merge": { from: "editor", input: ({ merge }) => ({ merge }) },
  "tray.read": { from: "viewer", input: ({ team }) => ({ team }) },
  "tray.set-many": { from: "viewer", input: ({ team }) => ({ team, resources: [], state: "away" }) },
  "tray.set": { from: "viewer", input: ({ resource }) => ({ resource, state: "away" }) },
};

/** Routes, and which rule stands behind each: an action's, or why it needs none. */
const ROUTES: Record<string, string> = {
  "api/actions/[name]": "the action's own",
  "api/auth/[...all]": "the accounts library's own",
  "api/export/[collection]": "export.collection",
  "api/file/[resource]": "files.read",
  "api/files/[[...id]]": "files.begin to begin; afterwards only whoever began",
  "api/health": "everybody: tells nothing about anybody",
  "api/imports/[import]/rejected": "imports.rejected",
  "api/live": "events.listen",
  "api/mail/[message]": "messages.original",
  "api/openapi.json": "everybody: a description",
  "api/pictures/[hash]": "pictures.read",
  "api/preview/[collection]": "reader.read",
  "c/[code]": "reader.read",
  "c/[code]/f/[item]": "only files of the page behind the code, which is reader.read",
  "c/[code]/p/[hash]": "only pictures of the page behind the code, which is reader.read",
};

function expected({ from }: Row, who: Who): boolean {
  if (from === "everybody") return true;
  if (from === "reader") return who !== "stranger";
  const order = ["viewer", "contributor", "editor", "owner"];
  if (from === "signed in") return order.includes(who);
  return order.indexOf(who) >= order.indexOf(from);
}

let world: Full;
beforeAll(async () => {
  world = await makeFull();
});

describe.each(Object.keys(ACTIONS) as ActionName[])("%s", (name) => {
  test.each(WHO)("%s", async (who) => {
    const row = TABLE[name];
    expect(row, `${name} has no row in the policy table`).toBeDefined();
    const decision = await ACTIONS[name].decide(world[who], row.input(world)).then(
      () => true,
      (error: unknown) => {
        // Only a refusal counts: a wrong input in the table would prove nothing.
        expect(error).toBeInstanceOf(Problem);
        expect(["not-signed-in", "not-allowed", "not-found"]).toContain((error as Problem).kind);
        return false;
      },
    );
    expect(decision).toBe(expected(row, who));
  });
});

test("every route has its row", () => {
  const routes = readdirSync("src/app", { recursive: true })
    .map(String)
    .filter((file) => file.endsWith("route.ts"))
    .map((file) => file.replace(/\/route\.ts$/, ""));
  expect(routes.sort()).toEqual(Object.keys(ROUTES).sort());
});

test("what is refused changes nothing, and another team's things are not there", async () => {
  await expect(
    as(world.viewer, "collections.edit", { collection: world.collection, title: "Taken over" }),
  ).rejects.toMatchObject({ kind: "not-allowed" });
  const outsider = await somebody("outsider");
  await expect(as(outsider, "collections.read", { collection: world.collection })).rejects.toMatchObject({
    kind: "not-found",
  });
  const { collection } = await as(world.owner, "collections.read", { collection: world.collection });
  expect(collection.title).toBe("A collection");
  await expect(
    as(world.viewer, "members.remove", { team: world.team, person: world.editor.person!.id }),
  ).rejects.toMatchObject({ kind: "not-allowed" });
});

test("teams are not mixed by naming a thing of another one as the second", async () => {
  const other = await makeWorld();
  const wrong: [ActionName, object][] = [
    ["placements.add", { collection: world.collection, resource: other.resource }],
    [
      "capture.address",
      { team: world.team, address: "https://bog.example/mix", collection: other.collection },
    ],
    ["collections.make", { team: world.team, title: "x", parent: other.collection }],
    ["placements.move", { placement: world.placement, section: other.section }],
  ];
  for (const [name, input] of wrong)
    await expect(as(world.owner, name, input)).rejects.toMatchObject({ kind: "not-found" });
});

async function makeFull(): Promise<Full> {
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
  await database().update(resource).set({ pictureHash: picture }).where(eq(resource.id, made.resource));
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
  const { resource: twin } = await as(made.owner, "capture.address", {
    team: made.team,
    address: `https://bog.example/${newId()}`,
  });
  const { merge } = await as(made.owner, "duplicates.merge", { resource: made.resource, gone: twin.id });
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
  await as(made.owner, "tags.add", { resource: made.resource, tags: ["bog"] });
  const [tag] = (await as(made.owner, "tags.read", { team: made.team })).tags;
  return {
    ...made,
    invitation: invitation.id,
    job,
    picture,
    import: intake,
    rule,
    hit,
    merge,
    message,
    tag: tag!.id,
  };
}
