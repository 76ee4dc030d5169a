import type { SuggestionRow } from "@/data/queries/suggestions";

/** A suggestion, as whoever made it sees what became of it. */
export const saidToGiver = (row: Omit<SuggestionRow, "deletedAt">) => ({
  ...{ id: row.id, name: row.name, kind: row.kind, address: row.address, text: row.text },
  ...{ title: row.title, why: row.why, fileName: row.fileName, byItself: row.byItself },
  ...{ state: row.state, word: row.word, createdAt: row.createdAt },
});
