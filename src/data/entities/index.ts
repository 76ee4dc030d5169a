import type { Change, EntityType, Fields } from "@/core/history/change";
import type { Tx } from "../database";
import {
  collections,
  groups,
  handouts,
  learners,
  placements,
  resources,
  sections,
  suggestions,
} from "./binned";
import type { Entity, Stamp } from "./entity";
import { comments } from "./comments";
import { copiedTexts } from "./copied-text";
import { collectionTags, resourceTags, trayEntries } from "./links";
import { ownMarks, teamMarks } from "./marks";
import { outcomes, servings } from "./outcomes";
import { tags } from "./tags";
import { agreedAppraisals, appraisals, criteriaSets, rounds, searchRecords, wishes } from "./weighing";

/** Every kind of thing whose changes are counted, told and taken back. */
const ENTITIES = {
  collection: collections,
  section: sections,
  placement: placements,
  resource: resources,
  resourceTag: resourceTags,
  collectionTag: collectionTags,
  trayEntry: trayEntries,
  copiedText: copiedTexts,
  tag: tags,
  mark: teamMarks,
  ownMark: ownMarks,
  comment: comments,
  group: groups,
  learner: learners,
  handout: handouts,
  suggestion: suggestions,
  criteria: criteriaSets,
  appraisal: appraisals,
  agreed: agreedAppraisals,
  wish: wishes,
  round: rounds,
  outcome: outcomes,
  serves: servings,
  searchRecord: searchRecords,
} satisfies { [T in EntityType]: unknown };

/** A row of a kind of thing, as it is added. */
export type RowOf<T extends EntityType> = (typeof ENTITIES)[T] extends Entity<infer Row> ? Row : never;

/** What is known about a kind of thing, whichever it is. */
export const entityOf = (type: EntityType) => ENTITIES[type] as unknown as Entity<never>;

/**
 * Writes changes in their order; neighbours of one kind that become alike are written together.
 * @param stamp the team they are in, and the time that is written with them
 */
export async function writeChanges(tx: Tx, changes: readonly Change[], stamp: Stamp): Promise<void> {
  for (let i = 0; i < changes.length;) {
    const { type, after } = changes[i]!;
    const fields = JSON.stringify(after);
    let end = i + 1;
    while (changes[end]?.type === type && JSON.stringify(changes[end]!.after) === fields) end++;
    const ids = changes.slice(i, end).map(({ id }) => id);
    await entityOf(type).write(tx, ids, after, stamp);
    i = end;
  }
}

/**
 * The fields of everything these changes are about, as they are now. Rows of things are locked in the order of their ids.
 * @returns the fields by kind and id; null for what is not there
 */
export async function currentOf(
  tx: Tx,
  changes: readonly Change[],
): Promise<(type: EntityType, id: string) => Fields> {
  const found = new Map<EntityType, Map<string, Fields>>();
  for (const type of new Set(changes.map((change) => change.type))) {
    const ids = [...new Set(changes.filter((one) => one.type === type).map((one) => one.id))].sort();
    const all = new Map<string, Fields>();
    for (let i = 0; i < ids.length; i += 500)
      for (const [id, fields] of await entityOf(type).read(tx, ids.slice(i, i + 500))) all.set(id, fields);
    found.set(type, all);
  }
  return (type, id) => found.get(type)?.get(id) ?? null;
}

/** The collections whose readers can see these changes, each once and in order, so that all lock them alike. */
export async function collectionsSeeing(tx: Tx, changes: readonly Change[]): Promise<string[]> {
  const all = new Set<string>();
  for (const type of new Set(changes.map((change) => change.type)))
    for (const id of await entityOf(type).seenIn(
      tx,
      changes.filter((change) => change.type === type),
    ))
      all.add(id);
  return [...all].sort();
}
