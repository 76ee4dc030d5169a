import type { Tx } from "@/data/database";
import { type CollectionRow, lockCollections, lockTeam } from "@/data/queries/collections";
import { type CommentRow, lockComments } from "@/data/queries/comments";
import { type GroupRow, type LearnerRow, lockGroups, lockLearners } from "@/data/queries/groups";
import { type HandoutRow, lockHandouts } from "@/data/queries/handouts";
import { homesOf, lockMarks, lockPlacements, lockResources, lockSections } from "@/data/queries/locks";
import type { MarkRow } from "@/data/queries/marks";
import type { PlacementRow } from "@/data/queries/placements";
import { collectionsHolding, type ResourceRow } from "@/data/queries/resources";
import type { SectionRow } from "@/data/queries/sections";
import { lockSuggestions, type SuggestionRow } from "@/data/queries/suggestions";
import { lockRounds, type RoundRow } from "@/data/queries/rounds";
import { lockSearchRecords, type SearchRecordRow } from "@/data/queries/search-records";
import { type CriteriaRow, lockCriteria } from "@/data/queries/weighing";
import { Outrun } from "@/data/transaction";
import type { Scope } from "./policy";
import { Problem } from "./problem";

type Named = readonly (string | null | undefined)[];

/** What an action decides by or changes, by ids of its input; those left out of the input are passed over. */
export type Wanted = {
  /** What a team has one of: the tree of its collections, its tags. */
  team?: boolean;
  collections?: Named;
  /** Each with the collection it stands in. */
  sections?: Named;
  /** Each with the collection it stands in. */
  placements?: Named;
  /** Each with every collection it stands in, whose readers see what is changed in it. */
  resources?: Named;
  /** Resources that are not changed, and must not go while something is hung on them. */
  alive?: Named;
  marks?: Named;
  comments?: Named;
  groups?: Named;
  learners?: Named;
  handouts?: Named;
  suggestions?: Named;
  criteria?: Named;
  rounds?: Named;
  searchRecords?: Named;
};

/** What an action locks; null when it decides by nothing that others change. */
export type Locks<I> = ((asked: { input: I; scope: Scope }) => Wanted) | null;

/** The rows an action has locked, as they are until its transaction ends. */
export class Locked {
  constructor(
    private readonly rows: {
      collection: ReadonlyMap<string, CollectionRow>;
      section: ReadonlyMap<string, SectionRow>;
      placement: ReadonlyMap<string, PlacementRow>;
      resource: ReadonlyMap<string, ResourceRow>;
      mark: ReadonlyMap<string, MarkRow>;
      comment: ReadonlyMap<string, CommentRow>;
      group: ReadonlyMap<string, GroupRow>;
      learner: ReadonlyMap<string, LearnerRow>;
      handout: ReadonlyMap<string, HandoutRow>;
      suggestion: ReadonlyMap<string, SuggestionRow>;
      criteria: ReadonlyMap<string, CriteriaRow>;
      round: ReadonlyMap<string, RoundRow>;
      searchRecord: ReadonlyMap<string, SearchRecordRow>;
    },
  ) {}

  /** @throws {Problem} not-found */
  collection(id: string): CollectionRow {
    return there(this.rows.collection.get(id));
  }
  /** @throws {Problem} not-found */
  section(id: string): SectionRow {
    return there(this.rows.section.get(id));
  }
  /** @throws {Problem} not-found */
  placement(id: string): PlacementRow {
    return there(this.rows.placement.get(id));
  }
  /** @throws {Problem} not-found */
  resource(id: string): ResourceRow {
    return there(this.rows.resource.get(id));
  }
  /** @throws {Problem} not-found */
  mark(id: string): MarkRow {
    return there(this.rows.mark.get(id));
  }
  /** @throws {Problem} not-found */
  comment(id: string): CommentRow {
    return there(this.rows.comment.get(id));
  }
  /** @throws {Problem} not-found */
  group(id: string): GroupRow {
    return there(this.rows.group.get(id));
  }
  /** @throws {Problem} not-found */
  learner(id: string): LearnerRow {
    return there(this.rows.learner.get(id));
  }
  /** @throws {Problem} not-found */
  handout(id: string): HandoutRow {
    return there(this.rows.handout.get(id));
  }
  /** @throws {Problem} not-found */
  criteria(id: string): CriteriaRow {
    return there(this.rows.criteria.get(id));
  }
  /** @throws {Problem} not-found */
  round(id: string): RoundRow {
    return there(this.rows.round.get(id));
  }
  /** @throws {Problem} not-found */
  searchRecord(id: string): SearchRecordRow {
    return there(this.rows.searchRecord.get(id));
  }

  /**
   * Several suggestions for one collection, in the order of the ids given, each once; those in the bin are left out.
   * @throws {Problem} not-found, when one is for another collection
   */
  suggestionsFor(collection: string, ids: readonly string[]): SuggestionRow[] {
    const rows = [...new Set(ids)].map((id) => there(this.rows.suggestion.get(id)));
    if (rows.some((row) => row.collection !== collection)) throw new Problem("not-found");
    return rows.filter((row) => !row.deletedAt);
  }

  /**
   * Several placements of one team, in the order of the ids given, each once. Those somebody has taken out meanwhile,
   * or whose collection is in the bin, are left out; one of another team refuses everything.
   * @throws {Problem} not-found
   */
  placementsOf(ids: readonly string[], team: string): PlacementRow[] {
    const rows = this.#ofTeam(this.rows.placement, ids, team);
    return rows.filter((row) => !row.deletedAt && !this.collection(row.collection).deletedAt);
  }

  /**
   * The same of resources.
   * @throws {Problem} not-found
   */
  resourcesOf(ids: readonly string[], team: string): ResourceRow[] {
    return this.#ofTeam(this.rows.resource, ids, team).filter((row) => !row.deletedAt);
  }

  /**
   * A second thing an input names: it belongs to the team the first one was allowed in, and is not in the bin.
   * @throws {Problem} not-found, in-bin
   */
  mustBeOfTeam(what: "collection" | "resource", id: string, team: string | null): void {
    const row = this.rows[what].get(id);
    if (!row || row.team !== team) throw new Problem("not-found");
    if (row.deletedAt) throw new Problem("in-bin");
  }

  #ofTeam<Row extends { team: string }>(all: ReadonlyMap<string, Row>, ids: readonly string[], team: string) {
    const rows = [...new Set(ids)].flatMap((id) => all.get(id) ?? []);
    if (rows.some((row) => row.team !== team)) throw new Problem("not-found");
    return rows;
  }
}

function there<T>(row: T | undefined): T {
  if (!row) throw new Problem("not-found");
  return row;
}

const listed = (ids: Named = []): string[] => [...new Set(ids.filter((id) => id != null))];

/**
 * Locks what an action wants, in one order for all: the team, collections by their ids, then what stands in them, then
 * resources, then marks and comments, then groups, who is in them and handouts, then suggestions, then criteria, rounds and
 * what was searched for them. In which collections things stand is found out before
 * these are locked; when somebody has moved one meanwhile, everything is let go and begun anew.
 * @param scope in which team the action was allowed
 * @throws {Outrun} when it has to be begun anew, which `transact` does
 * @example
 * const locked = await takeLocks(tx, scope, { placements: [input.placement] });
 * locked.placement(input.placement).section;
 */
export async function takeLocks(tx: Tx, scope: Scope, wanted: Wanted): Promise<Locked> {
  const [sections, placements] = [listed(wanted.sections), listed(wanted.placements)];
  const [resources, alive] = [listed(wanted.resources), listed(wanted.alive)];
  if (wanted.team && scope.team) await lockTeam(tx, scope.team);
  const homes = new Set([
    ...listed(wanted.collections),
    ...(sections.length || placements.length ? await homesOf(tx, { sections, placements }) : []),
    ...(resources.length ? await collectionsHolding(tx, resources) : []),
  ]);
  const collections = await lockCollections(tx, [...homes]);
  const rows = {
    collection: new Map(collections.map((row) => [row.id, row])),
    section: await lockSections(tx, sections),
    placement: await lockPlacements(tx, placements),
    resource: await lockResources(tx, [...resources, ...alive]),
    mark: await lockMarks(tx, listed(wanted.marks)),
    comment: await lockComments(tx, listed(wanted.comments)),
    group: await lockGroups(tx, listed(wanted.groups)),
    learner: await lockLearners(tx, listed(wanted.learners)),
    handout: await lockHandouts(tx, listed(wanted.handouts)),
    suggestion: await lockSuggestions(tx, listed(wanted.suggestions)),
    criteria: await lockCriteria(tx, listed(wanted.criteria)),
    round: await lockRounds(tx, listed(wanted.rounds)),
    searchRecord: await lockSearchRecords(tx, listed(wanted.searchRecords)),
  };
  const now = [
    ...[...rows.section.values(), ...rows.placement.values()].map((row) => row.collection),
    ...(resources.length ? await collectionsHolding(tx, resources) : []),
  ];
  if (now.some((id) => !rows.collection.has(id))) throw new Outrun();
  return new Locked(rows);
}
