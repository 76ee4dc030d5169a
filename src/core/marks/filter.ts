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
  meanings: { id: string; count: number }[];
  people: { id: string; name: string | null; count: number }[];
};

/** @param marks one by one, or `count` of them that are by one person and mean the same */
export function countMarks<M extends Filtered & { count?: number }>(marks: readonly M[]): MarkCounts {
  let all = 0;
  const meanings = new Map<string, number>();
  const people = new Map<string, { id: string; name: string | null; count: number }>();
  for (const { meaning, by, count = 1 } of marks) {
    all += count;
    if (meaning) meanings.set(meaning, (meanings.get(meaning) ?? 0) + count);
    people.set(by.id, { ...by, count: (people.get(by.id)?.count ?? 0) + count });
  }
  return {
    all,
    meanings: [...meanings].map(([id, count]) => ({ id, count })),
    people: [...people.values()],
  };
}
