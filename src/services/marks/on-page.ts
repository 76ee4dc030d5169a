import { readAddress } from "@/core/address/read-address";
import { marksOf } from "@/data/queries/marks";
import { resourcesAt } from "@/data/queries/resources-at";
import { reading } from "@/mechanism/action";
import { may } from "@/core/policy/abilities";
import { Name } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { addressHash } from "@/outside/hash";
import { meaningsShown } from "../meanings/shown";

class OnPage {
  @Name("an address", 4000) address: string;
}

/** Of so many teams the marks of one page are shown together. */
const MOST = 10;

export const marksOnPage = reading({
  name: "marks.on-page",
  about:
    "What one may see of the marks on a page of the web, by its address: for each of one's teams that has the page in its catalogue the marks, and what they mean there.",
  input: OnPage,
  allow: can.beSignedIn(),
  run: async ({ input, scope, tx }) => {
    const person = scope.person!;
    const read = readAddress(input.address);
    const found = read.ok ? await resourcesAt(tx, person, addressHash(read.address), MOST) : [];
    const pages = [];
    for (const { role, ...page } of found)
      pages.push({
        ...page,
        /** Whether one may mark for others there; for oneself anybody may. */
        brings: may(role, "bring"),
        marks: await marksOf(tx, page.resource, person),
        meanings: await meaningsShown(tx, page.team),
      });
    return { person, pages };
  },
});
