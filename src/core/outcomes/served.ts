/** That something in a section serves an outcome. */
type Serves = { id: string; code: string; title: string; section: string | null };
/** An outcome as it is told of. */
export type Served = { id: string; code: string; title: string };

/**
 * Which outcomes a collection serves, each once, and which each of its sections does.
 * @param serves in the order of the outcomes
 */
export function servedWhere(serves: readonly Serves[]): {
  all: Served[];
  sections: Map<string | null, Served[]>;
} {
  const all = new Map<string, Served>();
  const sections = new Map<string | null, Map<string, Served>>();
  for (const { id, code, title, section } of serves) {
    const outcome = { id, code, title };
    all.set(id, outcome);
    const here = sections.get(section) ?? new Map<string, Served>();
    sections.set(section, here.set(id, outcome));
  }
  return {
    all: [...all.values()],
    sections: new Map([...sections].map(([section, some]) => [section, [...some.values()]])),
  };
}

/** What an outcome is called where there is little room. */
export const shortOutcome = ({ code, title }: Pick<Served, "code" | "title">): string => code || title;
