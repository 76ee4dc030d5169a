import { newId, newShareCode, newShortCode } from "@/outside/random";

/** A card nobody has yet: a code to be typed, and the long one of its address. */
export const newCard = () => ({ code: newShortCode(), card: newShareCode() });

/** Names as they are written down in a group, each with a card; blank ones are passed over. */
export const newLearners = (group: { id: string; team: string }, names: readonly string[], at: Date) =>
  names
    .map((name) => name.replace(/\s+/g, " ").trim())
    .filter(Boolean)
    .map((name) => ({ id: newId(), group: group.id, team: group.team, name, ...newCard(), createdAt: at }));
