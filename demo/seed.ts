import { eq } from "drizzle-orm";
import path from "node:path";
import { closeDatabase } from "@/data/database";
import { migrate } from "@/data/migrate";
import { queueState } from "@/data/queries/jobs";
import { person } from "@/data/schema";
import { KINDS } from "@/jobs/kinds";
import { Worker } from "@/jobs/worker";
import type { Actor } from "@/mechanism/actor";
import { database } from "@/mechanism/changing";
import { settings } from "@/outside/settings";
import { auth } from "@/services/accounts/auth";
import { ACTIONS, type ActionName } from "@/services/registry";
import { COLLECTIONS, type DemoItem, TRAY } from "./collections";
import { PASSWORD, PEOPLE, TEAMS, type Who } from "./people";

/** Brings in the demo through the same services as people use, from the stand-in web on this port. */
export async function seed(webPort: number): Promise<void> {
  await migrate(settings().databaseUrl, path.join(process.cwd(), "src/data/migrations"));
  const actors = await signUpAll();
  const teams = await makeTeams(actors);
  const worker = new Worker(KINDS);
  await worker.start();
  const at = (place: string) => place.replace(/^([^/]+)/, `http://$1.localhost:${webPort}`);
  const collections = new Map<string, string>();
  for (const wish of COLLECTIONS) {
    const owner = actors[wish.team === "Lantern Moss" ? "ama" : "jonas"];
    const team = teams.get(wish.team)!;
    const parent = wish.inside ? collections.get(wish.inside)! : null;
    const { collection } = await call(owner, "collections.make", {
      team,
      title: wish.title,
      description: wish.about,
      parent,
    });
    collections.set(wish.title, collection.id);
    for (const { title, items } of wish.sections) {
      const section = title
        ? (await call(owner, "sections.make", { collection: collection.id, title })).section.id
        : null;
      for (const item of items) await place(owner, team, collection.id, section, at(item[0]), item);
    }
    if (wish.audience)
      await call(owner, "share.set", {
        collection: collection.id,
        audience: wish.audience,
        view: wish.view ?? "rows",
      });
  }
  for (const waiting of TRAY)
    await call(actors.ama, "capture.address", { team: teams.get("Lantern Moss")!, address: at(waiting) });
  while (true) {
    const { waiting, running } = await queueState(database(), new Date(), new Date());
    if (!waiting && !running) break;
    // What is left for a later day is not waited for.
    if (waiting === 1 && !running) break;
    await new Promise((resolve) => setTimeout(resolve, 200));
  }
  await worker.stop();
}

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

type Answered<N extends ActionName> = Awaited<ReturnType<(typeof ACTIONS)[N]["call"]>>;
const call = <N extends ActionName>(actor: Actor, name: N, input: object): Promise<Answered<N>> =>
  ACTIONS[name].call(actor, input) as Promise<Answered<N>>;

if (process.argv[1]?.endsWith("seed.ts")) {
  await seed(Number(process.argv[2]));
  await closeDatabase();
  process.exit(0);
}
