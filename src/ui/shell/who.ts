import type { StyleId } from "@/core/cite/styles";
import type { Role } from "@/core/policy/abilities";

/** Who has the page open. */
export type Me = { id: string; name: string; email: string; image?: string | null };
/** A team they are in, or of which they see a part as a guest, and as what. */
export type TeamRow = {
  id: string;
  name: string;
  own: boolean;
  role: Role;
  citationStyle: StyleId;
  guest?: boolean;
};
