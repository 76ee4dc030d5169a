import { eq } from "drizzle-orm";
import { keysAfter } from "@/core/order/place";
import { placement, person, resource, resourceTag, section, tag } from "@/data/schema";
import type { Actor } from "@/mechanism/actor";
import { database } from "@/mechanism/changing";
import { addressHash } from "@/outside/hash";
import { newId } from "@/outside/random";
import { auth } from "@/services/accounts/auth";
import { ACTIONS, type ActionName } from "@/services/registry";
import { blank } from "@/services/resources/blank";

export const PASSWORD = "bench and loom";
type Answered<N extends ActionName> = Awaited<ReturnType<(typeof ACTIONS)[N]["call"]>>;
export const as = <N extends ActionName>(actor: Actor, name: N, input: object): Promise<Answered<N>> =>
  ACTIONS[name].call(actor, input) as Promise<Answered<N>>;

/** Somebody who can sign in. */
export async function somebody(email: string): Promise<Actor> {
  const { user } = await auth().api.signUpEmail({ body: { name: "Bench", email, password: PASSWORD } });
  await database().update(person).set({ emailVerified: true }).where(eq(person.id, user.id));
  return { person: { id: user.id, name: "Bench", email }, share: null };
}

const KINDS = ["page", "page", "video", "document", "sound"] as const;

/** Puts many read resources into a team, each with two of 200 tags. @returns their ids */
export async function fillCatalogue(actor: Actor, team: string, count: number): Promise<string[]> {
  const at = new Date();
  const tags = Array.from({ length: 200 }, (_, i) => ({
    id: newId(),
    team,
    name: `subject ${i}`,
    key: `subject ${i}`,
    createdAt: at,
  }));
  await database().insert(tag).values(tags);
  const ids: string[] = [];
  for (let from = 0; from < count; from += 500) {
    const rows = Array.from({ length: Math.min(500, count - from) }, (_, i) => {
      const n = from + i;
      const address = `https://site-${n % 97}.example/${team}/${n}`;
      return {
        ...blank(newId(), address, `site-${n % 97}.example`), team, addressHash: addressHash(address), addedBy: actor.person!.id, createdAt: at, updatedAt: at, minutes: 1 + (n % 20),
        title: `Reading number ${n} about the water table of a bog`, description: "What it says, in one or two sentences, as pages say of themselves.", kind: KINDS[n % 5]!, fetchState: "done" as const,
      }; // prettier-ignore
    });
    await database().insert(resource).values(rows);
    await database()
      .insert(resourceTag)
      .values(
        rows.flatMap((row, i) =>
          [0, 7].map((k) => ({
            id: newId(),
            resource: row.id,
            tag: tags[(from + i + k) % 200]!.id,
            team,
            createdAt: at,
          })),
        ),
      );
    ids.push(...rows.map((row) => row.id));
  }
  return ids;
}

/** A collection of these resources, with a section every hundred and a context line on each. */
export async function fillCollection(
  actor: Actor,
  team: string,
  title: string,
  resources: readonly string[],
): Promise<string> {
  const { collection } = await as(actor, "collections.make", { team, title });
  const at = new Date();
  const sections = Array.from({ length: Math.ceil(resources.length / 100) }, (_, i) => ({
    id: newId(),
    collection: collection.id,
    title: `Part ${i + 1}`,
    position: "",
    createdAt: at,
  }));
  keysAfter(null, sections.length).forEach((key, i) => (sections[i]!.position = key));
  await database().insert(section).values(sections);
  const keys = keysAfter(null, resources.length);
  const rows = resources.map((id, i) => ({
    id: newId(),
    team,
    collection: collection.id,
    section: sections[Math.floor(i / 100)]!.id,
    resource: id,
    position: keys[i]!,
    context: `Read this before the ${i + 1}th lesson.`,
    addedBy: actor.person!.id,
    createdAt: at,
    updatedAt: at,
  }));
  for (let i = 0; i < rows.length; i += 500)
    await database()
      .insert(placement)
      .values(rows.slice(i, i + 500));
  return collection.id;
}
