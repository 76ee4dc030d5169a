import { addressesIn } from "@/core/mail/addresses-in";
import type { Role } from "@/core/policy/abilities";
import { addInvitation, lockSent, renewInvitation } from "@/data/queries/teams";
import type { Running } from "@/mechanism/action";
import { within } from "@/mechanism/limits";
import { fieldProblem, Problem } from "@/mechanism/problem";
import { newId, newSecret } from "@/outside/random";
import { seal } from "@/outside/seal";
import { addressOfHobbin } from "../accounts/address";
import { DAYS } from "./make";

/** Into what people are invited, and as what. */
type Into = { team: string; collection: string | null; role: Role };
type Sending = Pick<Running<{ addresses: string[] }>, "input" | "scope" | "tx" | "at" | "set">;

/**
 * Counts letters to strangers; so many are nobody's class.
 * @param by whose they are
 * @throws {Problem} too-many-invitations
 */
export async function countLetters(by: string, addresses: readonly string[]): Promise<void> {
  if (!(await within("invitations", by, Math.max(1, addresses.length))))
    throw new Problem("too-many-invitations");
}

/**
 * Sends an invitation to each address, for that address alone; one that was sent and still holds is the same, sent again.
 * @param known who has come already, by their mail addresses in small letters: they are passed over
 * @param letter what is written, by the address at which the invitation is taken up
 * @returns who was invited, and who was passed over
 * @throws {Problem} beside `addresses`, when one is none
 */
export async function sendByMail(
  { input, scope, tx, at, set }: Sending,
  { team, collection, role }: Into,
  known: ReadonlySet<string>,
  letter: (link: string) => { subject: string; text: string },
) {
  const { addresses, wrong } = addressesIn(input.addresses.join("\n"));
  const first = wrong[0] ?? (addresses.length ? null : input.addresses[0]);
  if (first !== null)
    throw fieldProblem("addresses", "mail-address-wrong", `“${first ?? ""}” is no mail address.`);
  const sent = await lockSent(tx, team, collection, at);
  const expiresAt = new Date(at.getTime() + DAYS * 86_400_000);
  const invited: { address: string; again: boolean }[] = [];
  const already: string[] = [];
  for (const address of addresses) {
    if (known.has(address.toLowerCase())) {
      already.push(address);
      continue;
    }
    const there = sent.get(address.toLowerCase());
    const { id, code } = there ?? { id: newId(), code: newSecret() };
    if (there) await renewInvitation(tx, id, { role, expiresAt });
    else
      await addInvitation(tx, {
        ...{ id, team, collection, role, code, address, most: 1 },
        ...{ madeBy: scope.person!, createdAt: at, expiresAt },
      });
    set.log("invited", `${address}, as ${role}`, { team, collection });
    set.enqueue({
      ...{ id: newId(), kind: "messages.send", team, createdAt: at },
      // Sent again while the first letter has not gone, it goes once.
      uniqueKey: `invitations.send:${id}`,
      payload: {
        letter: seal(JSON.stringify({ to: address, ...letter(`${addressOfHobbin()}/join/${code}`) })),
      },
    });
    invited.push({ address, again: there !== undefined });
  }
  return { invited, already };
}
