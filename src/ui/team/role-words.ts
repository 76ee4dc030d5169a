import { type Role, ROLES } from "@/core/policy/abilities";

/** What each role is called, and what it may do. */
export const ROLE_WORDS: Record<Role, { name: string; can: string }> = {
  owner: { name: "Owner", can: "everything, and who is in the team." },
  editor: { name: "Editor", can: "arrange, change, delete and publish." },
  contributor: { name: "Contributor", can: "bring things in, place and tag them." },
  viewer: { name: "Viewer", can: "look at everything." },
};

/** The roles to choose from, the one with most rights first. */
export const ROLE_OPTIONS = ROLES.toReversed().map((role) => [role, ROLE_WORDS[role].name] as const);
