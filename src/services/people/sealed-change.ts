import { seal, unseal } from "@/outside/seal";

/** That the account of somebody gets another address. */
type AddressChange = { person: string; from: string; to: string };

const HOLDS = 3_600_000;
/** What else is sealed says something else first. */
const KIND = "address-change";

/** The end of the link in the letter. */
export const sealChange = (change: AddressChange, at: Date): string =>
  Buffer.from(seal(JSON.stringify([KIND, change, at.getTime() + HOLDS])), "base64").toString("base64url");

/** What was sealed; null: it was not by us, is something else, or over. */
export function openChange(token: string, at: Date): AddressChange | null {
  try {
    const words = unseal(Buffer.from(token, "base64url").toString("base64"));
    const [kind, change, until] = JSON.parse(words) as [string, AddressChange, number];
    return kind === KIND && at.getTime() <= until ? change : null;
  } catch {
    return null;
  }
}
