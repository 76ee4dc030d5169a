/** What is known of the judging of one thing, of each round it was judged in and of what was said outside of rounds. */
export type Sayings = {
  resource: string;
  /** How many have judged it whole. */
  people: number;
  /** They answered otherwise than each other, and have not agreed; never so of a blind round that is being judged. */
  apart: boolean;
  agreed: boolean;
  /** The newest reading copy that was judged; 0: none. */
  copy: number;
  /** The newest there is; 0: none. */
  newest: number;
};

/** How far a thing is judged. */
export type Weighed = {
  resource: string;
  is: "in dispute" | "old" | "agreed" | "some" | "one";
  people: number;
};

/**
 * How far each of some things is judged: what has to be done about comes first, so that of a thing that is agreed on in one round and in
 * dispute in another the dispute is told. What nobody has judged is not among them.
 */
export function weighedOf(sayings: readonly Sayings[]): Weighed[] {
  const things = new Map<string, Sayings>();
  for (const one of sayings) {
    const before = things.get(one.resource);
    things.set(
      one.resource,
      before
        ? {
            ...one,
            people: Math.max(one.people, before.people),
            apart: one.apart || before.apart,
            agreed: one.agreed || before.agreed,
            copy: Math.max(one.copy, before.copy),
          }
        : one,
    );
  }
  return [...things.values()].map(({ resource, people, apart, agreed, copy, newest }) => ({
    ...{ resource, people },
    is: apart ? "in dispute" : copy < newest ? "old" : agreed ? "agreed" : people > 1 ? "some" : "one",
  }));
}
