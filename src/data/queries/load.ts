import { and, asc, eq, inArray, isNull, sql } from "drizzle-orm";
import type { Criterion } from "@/core/appraise/criteria";
import type { Answers } from "@/core/appraise/answers";
import type { Tx } from "../database";
import { collection, placement, resource, section } from "../schema";
import { inParts } from "../sql/by-keys";
import { queryRows } from "../sql/query-rows";
import { criteriaAt } from "./weighing";

/** What is looked through of a course at the most. */
const MOST = 20_000;

const timed = {
  collection: placement.collection,
  beyond: sql<boolean>`COALESCE(${section.beyond}, FALSE)`.mapWith(Boolean),
  kind: resource.kind,
  words: resource.words,
  seconds: resource.seconds,
  language: resource.language,
  minutes: resource.minutes,
  clipFrom: placement.clipFrom,
  clipTo: placement.clipTo,
  taskMinutes: placement.taskMinutes,
  forReaders: placement.forReaders,
};

/** How long everything takes that stands in these collections, in no order. */
export async function timesIn(tx: Tx, collections: readonly string[]) {
  if (!collections.length) return [];
  return tx
    .select(timed)
    .from(placement)
    .innerJoin(resource, and(eq(resource.id, placement.resource), isNull(resource.deletedAt)))
    .leftJoin(section, eq(section.id, placement.section))
    .where(and(inArray(placement.collection, [...collections]), isNull(placement.deletedAt)))
    .limit(MOST);
}

/** What stands in a collection, in its order, with all that decides on whether it stays. */
export async function itemsToFit(tx: Tx, id: string, most: number) {
  return tx
    .select({
      ...timed,
      ...{ id: placement.id, section: placement.section, heading: placement.heading, look: placement.look },
      ...{ mustStay: placement.mustStay, resource: resource.id, title: resource.title, host: resource.host },
    })
    .from(placement)
    .innerJoin(resource, and(eq(resource.id, placement.resource), isNull(resource.deletedAt)))
    .leftJoin(section, eq(section.id, placement.section))
    .where(and(eq(placement.collection, id), isNull(placement.deletedAt)))
    .orderBy(sql`coalesce(${section.position}, '')`, asc(placement.position), asc(placement.id))
    .limit(most);
}

/** The sections of a collection in their order, with how long each shall take. */
export async function sectionsToFit(tx: Tx, id: string) {
  return tx
    .select({ id: section.id, title: section.title, minutes: section.minutes, beyond: section.beyond })
    .from(section)
    .where(and(eq(section.collection, id), isNull(section.deletedAt)))
    .orderBy(asc(section.position), asc(section.id));
}

/** The collections of a team with how long each shall take and how fast those read whom it is for, in the order of the tree's levels. */
export async function aimsOf(tx: Tx, team: string) {
  return tx
    .select({
      ...{ id: collection.id, parent: collection.parent, title: collection.title, use: collection.use },
      ...{ aimMinutes: collection.aimMinutes, aimLevel: collection.aimLevel },
      readingPace: collection.readingPace,
    })
    .from(collection)
    .where(and(eq(collection.team, team), isNull(collection.deletedAt), isNull(collection.awayAt)))
    .orderBy(asc(collection.position), asc(collection.id));
}

/** What was said of a thing by one set of criteria, by one person or agreed on by several. */
export type Said = { resource: string; agreed: boolean; answers: Answers; content: Criterion[]; set: string };

const json = <T>(value: T | string): T => (typeof value === "string" ? (JSON.parse(value) as T) : value);

/** What was said of some things as a whole. What is said in a blind round is left out while it is being judged. */
export async function saidOf(tx: Tx, resources: readonly string[]): Promise<Said[]> {
  type Row = Omit<Said, "agreed" | "answers" | "content"> & { agreed: number; answers: Answers | string };
  const rows: Row[] = [];
  await inParts(
    resources,
    async (part) => {
      const ids = sql.join(
        part.map((id) => sql`${id}`),
        sql`, `,
      );
      rows.push(
        ...(await queryRows<Row>(
          tx,
          sql`SELECT a.resource, 0 agreed, a.answers, CONCAT(a.criteria, ' ', a.number) \`set\`
              FROM appraisal a LEFT JOIN round ro ON ro.id = a.round
              WHERE a.resource IN (${ids}) AND a.whole AND a.deleted_at IS NULL AND ro.deleted_at IS NULL
                AND (ro.id IS NULL OR NOT ro.blind OR ro.state <> 'judging')
            UNION ALL
            SELECT g.resource, 1, g.answers, CONCAT(g.criteria, ' ', g.number)
              FROM agreed g JOIN round ro ON ro.id = g.round
              WHERE g.resource IN (${ids}) AND g.deleted_at IS NULL AND ro.deleted_at IS NULL`,
        )),
      );
    },
    500,
  );
  // What was asked is the same for all who answered it, and is read once.
  const asked = new Map<string, Criterion[]>();
  for (const { set } of rows) {
    if (asked.has(set)) continue;
    const [criteria, number] = set.split(" ");
    asked.set(set, (await criteriaAt(tx, criteria!, Number(number))) ?? []);
  }
  return rows.map(({ resource, agreed, answers, set }) => ({
    ...{ resource, set, agreed: Number(agreed) === 1 },
    ...{ answers: json(answers), content: asked.get(set)! },
  }));
}
