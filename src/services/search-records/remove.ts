import { action } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class RemoveSearchRecord {
  @Id() searchRecord: string;
}

export const removeSearchRecord = action({
  name: "search-records.remove",
  about: "Takes a search off those that were made for a review. It can be taken back.",
  input: RemoveSearchRecord,
  allow: can.bring("searchRecord"),
  locks: ({ input }) => ({ searchRecords: [input.searchRecord] }),
  history: "take a search off a review",
  run: async ({ input, locked, remove }) => {
    await remove("searchRecord", locked.searchRecord(input.searchRecord));
    return { searchRecord: input.searchRecord };
  },
});
