/** Who asks: a signed-in person, somebody holding the code of a shared collection, both, or a stranger. */
export type Actor = {
  person: { id: string; name: string; email: string } | null;
  share: string | null;
  /** Set for the token of a paired extension: it may only bring things in. */
  only?: "capture";
};

export const STRANGER: Actor = { person: null, share: null };
