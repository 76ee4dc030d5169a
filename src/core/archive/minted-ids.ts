import { localId, readLocalId } from "./local-ids";

/** By what the ids of an archive become ids of their own: when it is brought back, and eight hexadecimal digits of its own. */
export type Mint = { at: number; salt: string };

/**
 * The id a row of an archive, or a person in it, has once it is brought back: a UUID of version 7 (RFC 9562, 5.7) that says
 * when that was, then the count, so that the order stays, then the salt. The same count has the same id however often it is
 * asked for: whoever is killed in the middle goes on without a list.
 * @param count up to 2 to the power of 42
 */
export function mintedId({ at, salt }: Mint, kind: "row" | "person", count: number): string {
  // Apart from one another by a millisecond.
  const time = (at + (kind === "person" ? 1 : 0)).toString(16).padStart(12, "0");
  const high = Math.floor(count / 2 ** 30) & 0xfff;
  const low = count % 2 ** 30;
  const hex = (value: number, digits: number) => value.toString(16).padStart(digits, "0");
  const variant = hex(0x8000 | (low >>> 16), 4);
  return `${time.slice(0, 8)}-${time.slice(8)}-7${hex(high, 3)}-${variant}-${hex(low & 0xffff, 4)}${salt}`;
}

/** Whether an id is one of those this mint makes. */
export const isMinted = (id: unknown, { at, salt }: Mint): boolean => {
  if (typeof id !== "string" || id.length !== 36 || !id.endsWith(salt)) return false;
  const time = parseInt(id.slice(0, 8) + id.slice(9, 13), 16);
  return time === at;
};

/**
 * What an id of an archive is once it is brought back. What was never in an archive can mean nothing here: it becomes an id
 * by which nothing is found.
 * @param people by their counts
 */
export const broughtBack =
  (mint: Mint, team: string, people: ReadonlyMap<number, string>, hash: (text: string) => string) =>
  (id: string): string => {
    const local = readLocalId(id);
    const strange = () => localId("other", hash(id).slice(0, 12));
    if (!local) return strange();
    if (local.kind === "other") return id;
    if (local.kind === "team") return team;
    const count = parseInt(local.count, 16);
    if (local.kind === "person") return people.get(count) ?? strange();
    return count < 2 ** 42 ? mintedId(mint, "row", count) : strange();
  };
