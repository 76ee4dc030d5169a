import type { Credential } from "@/data/queries/still-holding";
import type { PairedFor } from "@/core/policy/paired";

/** Who asks: a signed-in person, somebody holding the code of a shared collection, both, or a stranger. */
export type Actor = {
  person: { id: string; name: string; email: string; image?: string | null } | null;
  share: string | null;
  /** Set for the token of a paired browser: what alone it may do. */
  only?: PairedFor;
  /** By what they came in; what goes on for long ends with it. */
  by?: Credential;
};

export const STRANGER: Actor = { person: null, share: null };
