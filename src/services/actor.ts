/** Who asks: a signed-in person, somebody holding the code of a shared collection, both, or a stranger. */
export type Actor = {
  person: { id: string; name: string; email: string } | null;
  share: string | null;
};

export const STRANGER: Actor = { person: null, share: null };
