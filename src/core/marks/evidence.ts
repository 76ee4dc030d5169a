import { groupBy } from "../list/group-by";
import { sayFragment } from "./fragments";
import type { MarkOut } from "./model";

/** A passage that speaks to a question, with where it stands and what was written beside it. */
export type Passage = { id: string; quote: string; where: string; note: string; by: string };
/** A row a source, a column a question; questions are what marks mean. */
export type EvidenceTable = {
  questions: string[];
  rows: { source: MarkOut["source"]; cells: Passage[][] }[];
};

/** What the column of what was marked without a meaning is called. */
const JUST_MARKED = "Just marked";

/**
 * What was marked, as a table of evidence: the sources in the order of their marks, the questions in the order of the team's meanings.
 * Questions nothing was marked for are left out, because a table of empty columns says nothing.
 * @param meanings their names, in the team's order
 */
export function evidenceTable(marks: readonly MarkOut[], meanings: readonly string[]): EvidenceTable {
  const named = (mark: MarkOut) => mark.meaning ?? JUST_MARKED;
  const used = new Set(marks.map(named));
  const known = meanings.filter((name) => used.has(name));
  const questions = [...new Set([...known, ...used])].sort(
    (a, b) => Number(a === JUST_MARKED) - Number(b === JUST_MARKED),
  );
  const rows = [...groupBy(marks, ({ source }) => source.id).values()].map((some) => {
    const byQuestion = groupBy(some, named);
    return {
      source: some[0]!.source,
      cells: questions.map((question) =>
        (byQuestion.get(question) ?? []).map(({ id, quote, fragment, note, by }) => ({
          ...{ id, quote, where: sayFragment(fragment), note, by },
        })),
      ),
    };
  });
  return { questions, rows };
}

/** A passage as a line: “words” (page 3): what was written beside it. */
export function sayPassage({ quote, where, note }: Passage): string {
  const words = quote ? `“${quote.trim().replace(/\s+/g, " ")}”` : "";
  const place = where && (words ? `(${where[0]!.toLowerCase()}${where.slice(1)})` : where);
  const said = [words, place].filter(Boolean).join(" ");
  return note ? (said ? `${said}: ${note}` : note) : said || "the whole";
}
