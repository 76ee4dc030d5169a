import { IsInt, Max, Min } from "class-validator";
import { SEARCH_KINDS, type SearchKind } from "@/core/appraise/flow";
import { findSearchRecord } from "@/data/queries/search-records";
import { action } from "@/mechanism/action";
import { Id, MaybeDay, MaybeId, MaybeText, Name, OneOf } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";
import { newId } from "@/outside/random";

class SaveSearchRecord {
  /** The first round of the review. */
  @Id() round: string;
  @MaybeId() searchRecord?: string;
  @OneOf(SEARCH_KINDS) kind: SearchKind;
  @Name("where it was made", 200) source: string;
  /** The day on which it was made. */
  @MaybeDay() searched?: string | null;
  /** As they were typed there. */
  @MaybeText(4000) words?: string;
  @IsInt() @Min(0) @Max(10_000_000) hits: number;
}

export const saveSearchRecord = action({
  name: "search-records.save",
  about:
    "Writes down a search that was made for a review, where, when, with which words and how much it found; or changes one. An id sent twice writes one.",
  input: SaveSearchRecord,
  allow: can.bring("round"),
  locks: ({ input }) => ({ rounds: [input.round], searchRecords: [input.searchRecord] }),
  history: "write down a search",
  run: async ({ input: { round, searchRecord, ...given }, scope, tx, at, add, change }) => {
    const id = searchRecord ?? newId();
    const fields = { ...given, searched: given.searched ?? null, words: given.words ?? "" };
    const there = await findSearchRecord(tx, id);
    if (there && there.team !== scope.team) throw new Problem("id-taken");
    if (there && there.round !== round) throw new Problem("not-found");
    if (there?.deletedAt) throw new Problem("in-bin");
    if (there) await change("searchRecord", there, fields);
    else
      await add("searchRecord", {
        ...{ id, team: scope.team!, round, ...fields },
        ...{ createdBy: scope.person!, createdAt: at },
      });
    return { searchRecord: id };
  },
});
