import { sayProblem } from "@/core/page/facts";
import { reading } from "@/mechanism/action";
import { within } from "@/mechanism/limits";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";
import { factsInThread } from "@/outside/threads/in-thread";
import { askLink } from "./ask";
import { HouseAt, ledBy } from "./house";

/** So many addresses are tried. */
const TRIED = 4;

export const tryHouse = reading({
  name: "links.try-house",
  about: "Asks a few of the addresses that would be led to, and tells what is there. Nothing is kept.",
  input: HouseAt,
  allow: can.arrange("team"),
  run: async ({ input, scope, tx }) => {
    if (!(await within("linksTried", scope.person!))) throw new Problem("too-many-searches");
    const rows = await ledBy(tx, input);
    // Some from everywhere in the list: what lies together moves together.
    const step = Math.max(1, Math.floor(rows.length / TRIED));
    const some = rows.filter((_, i) => i % step === 0).slice(0, TRIED);
    return { tried: await Promise.all(some.map(({ resource, to }) => tried(resource, to))) };
  },
});

/** What stands at an address now. */
async function tried(resource: string, address: string) {
  const answer = await askLink(address);
  if (!answer.ok) return { resource, address, title: "", problem: sayProblem(answer.problem) };
  const contentType = answer.headers["content-type"] ?? "";
  const facts = await factsInThread({ body: answer.body, contentType, address: answer.address }).catch(
    () => null,
  );
  return { resource, address, title: facts?.title ?? "", problem: "" };
}
