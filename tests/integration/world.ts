import { copyFileSync, mkdirSync, statSync, writeFileSync } from "node:fs";
import path from "node:path";
import type { GuestRole } from "@/core/policy/abilities";
import { settings } from "@/outside/settings";
import { person } from "@/data/schema";
import { STRANGER, type Actor } from "@/mechanism/actor";
import { database } from "@/mechanism/changing";
import { newId } from "@/outside/random";
import { ACTIONS, type ActionName } from "@/services/registry";
import { makeTeamOfOne } from "@/services/teams/team-of-one";
import { mustBeAsDescribed } from "./described";

export const ROLES = ["viewer", "contributor", "editor", "owner"] as const;
type Answered<N extends ActionName> = Awaited<ReturnType<(typeof ACTIONS)[N]["call"]>>;

/** Calls an action as somebody; what it answers must be as it is described. */
export async function as<N extends ActionName>(actor: Actor, name: N, input: object): Promise<Answered<N>> {
  const answer = await ACTIONS[name].call(actor, input);
  mustBeAsDescribed(name, answer);
  return answer as Answered<N>;
}

/** A new person with a team of their own. */
export async function somebody(name: string): Promise<Actor> {
  const id = newId();
  const at = new Date();
  const email = `${name}-${id}@test.example`;
  await database()
    .insert(person)
    .values({ id, name, email, emailVerified: true, createdAt: at, updatedAt: at });
  await makeTeamOfOne(id, name);
  return { person: { id, name, email }, share: null };
}

/** Somebody who is let into one collection, and is not in its team. */
export async function guestOf(by: Actor, collection: string, role: GuestRole): Promise<Actor> {
  const guest = await somebody(`guest-${role}`);
  const { invitation } = await as(by, "guests.make-link", { collection, role });
  await as(guest, "invitations.accept", { code: invitation.code });
  return guest;
}

/** A team with one person of every role, a collection that is shared by link, and an item in it. */
export async function makeWorld() {
  const owner = await somebody("owner");
  const { team } = await as(owner, "teams.make", { name: "Test team" });
  const people = { owner } as Record<(typeof ROLES)[number], Actor>;
  for (const role of ["viewer", "contributor", "editor"] as const) {
    people[role] = await somebody(role);
    const { invitation } = await as(owner, "invitations.make", { team: team.id, role });
    await as(people[role], "invitations.accept", { code: invitation.code });
  }
  const { collection } = await as(owner, "collections.make", { team: team.id, title: "A collection" });
  const { section } = await as(owner, "sections.make", { collection: collection.id, title: "A section" });
  const address = `https://bog.example/${newId()}`;
  const { resource, item } = await as(owner, "capture.address", {
    team: team.id,
    address,
    collection: collection.id,
    section: null,
  });
  const { code } = await as(owner, "share.set", { collection: collection.id, audience: "link" });
  const holder: Actor = { person: null, share: code };
  return {
    ...people,
    stranger: STRANGER,
    holder,
    team: team.id,
    collection: collection.id,
    section: section.id,
    resource: resource.id,
    placement: item!.id,
    address,
    code: code!,
  };
}
export type World = Awaited<ReturnType<typeof makeWorld>>;

/** A file on this disk, as if this person's browser had sent all of it. @returns the id of the upload */
export function arrive(actor: Actor, team: string, file: string, filename: string): string {
  const id = newId();
  const uploads = path.join(settings().files, "uploads");
  mkdirSync(uploads, { recursive: true });
  copyFileSync(file, path.join(uploads, id));
  const metadata = { team, filename, person: actor.person!.id };
  const size = statSync(file).size;
  writeFileSync(path.join(uploads, `${id}.json`), JSON.stringify({ id, size, offset: 0, metadata }));
  return id;
}
