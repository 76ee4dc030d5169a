import { audienceNow } from "@/core/publish/opens";
import { isMailAddress } from "@/core/newsletter/mail-address";
import { findCollection } from "@/data/queries/collections";
import { addReader, dropUnconfirmed, findReader } from "@/data/queries/newsletters";
import { byShareCode } from "@/data/queries/sharing";
import { action } from "@/mechanism/action";
import { Name } from "@/mechanism/input";
import { within } from "@/mechanism/limits";
import { can } from "@/mechanism/policy";
import { fieldProblem, Problem } from "@/mechanism/problem";
import { newCode, newId } from "@/outside/random";
import { requestAddress } from "@/outside/request-context";
import { seal } from "@/outside/seal";
import { addressOfHobbin } from "../accounts/address";

class AskForNewsletter {
  /** Of the newsletter's page. */
  @Name("the code", 200) code: string;
  @Name("a mail address", 254) address: string;
}

/** Who asked and did not confirm is forgotten after so long, in milliseconds. */
const FORGOTTEN = 7 * 24 * 3_600_000;

export const askForNewsletter = action({
  name: "newsletters.ask",
  about:
    "Asks for a newsletter by mail. Nothing is sent before whoever has the address has confirmed it. The answer is the same whether the address is on the list or not.",
  input: AskForNewsletter,
  allow: can.ask(),
  locks: null,
  history: null,
  run: async ({ input, tx, at, enqueue }) => {
    const shared = await byShareCode(tx, input.code);
    const found = shared && (await findCollection(tx, shared.id));
    if (!found || found.deletedAt || found.use !== "newsletter" || audienceNow(found, at) === "team")
      throw new Problem("not-found");
    const address = input.address.trim();
    if (!isMailAddress(address)) throw fieldProblem("address", "mail-address-wrong");
    // A class behind one address asks within one lesson.
    const from = requestAddress();
    if (from && !(await within("signUps", `newsletter from ${from}`))) throw new Problem("too-many-tries");
    await dropUnconfirmed(tx, found.id, new Date(at.getTime() - FORGOTTEN));
    await addReader(tx, {
      ...{ id: newId(), collection: found.id, address, token: newCode(), state: "waiting", createdAt: at },
    });
    const reader = (await findReader(tx, found.id, address))!;
    // Who is on it already is told nothing, and nobody's mailbox is filled by somebody who types their address.
    if (reader.state === "waiting" && (await within("letters", `newsletter to ${address.toLowerCase()}`)))
      enqueue({
        id: newId(),
        kind: "messages.send",
        payload: { letter: seal(JSON.stringify(confirmation(address, found.title, reader.token))) },
        createdAt: at,
      });
    return { address };
  },
});

const confirmation = (to: string, title: string, token: string) => ({
  to,
  subject: `Do you want “${title}” by mail?`,
  text: `Somebody, we hope you, asked for “${title}” to be sent to this address.

If it was you, say so here:
${addressOfHobbin()}/list/${token}

If it was not, do nothing. You will not hear of it again.
`,
});
