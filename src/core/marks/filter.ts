/** What is shown of the marks of a text: by what they mean, and by whom they are. */
export type MarkFilter = { meaning: string | null; person: string | null };
export const EVERYTHING: MarkFilter = { meaning: null, person: null };

type Filtered = { meaning: string | null; by: { id: string; name: string | null } };

/** Those that go by a filter. */
export const passing = <M extends Filtered>(marks: readonly M[], { meaning, person }: MarkFilter): M[] =>
  marks.filter(
    (mark) => (meaning === null || mark.meaning === meaning) && (person === null || mark.by.id === person),
  );

/** How many marks there are, how many have each meaning, and who made them, each once in the order of the first. */
export type MarkCounts = {
  all: number;
  meanings: [id: string, count: number][];
  people: { id: string; name: string | null; count: number }[];
};

export function countMarks<M extends Filtered>(marks: readonly M[]): MarkCounts {
  const meanings = new Map<string, number>();
  const people = new Map<string, { id: string; name: string | null; count: number }>();
  for (const { meaning, by } of marks) {
    if (meaning) meanings.set(meaning, (meanings.get(meaning) ?? 0) + 1);
    people.set(by.id, { ...by, count: (people.get(by.id)?.count ?? 0) + 1 });
  }
  return { all: marks.length, meanings: [...meanings], people: [...people.values()] };
}
