import { collectionsOfPeople, OF_PERSON, pageOfPerson } from "@/data/queries/person-pages";
import { publicCollections } from "@/data/queries/sharing";
import { teamsOf } from "@/data/queries/teams";
import { reading } from "@/mechanism/action";
import { Nothing } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { now } from "@/outside/clock";
import { addressOfHobbin } from "../accounts/address";

export const readOwnPage = reading({
  name: "people.page",
  about:
    "Whether one has a public page, under which address, and what would stand on it: the public collections of one's teams in which one placed something.",
  input: Nothing,
  allow: can.beSignedIn(),
  run: async ({ scope, tx }) => {
    const id = scope.person!;
    const found = await pageOfPerson(tx, id);
    const all = await collectionsOfPeople(tx, [id], now(), { most: OF_PERSON });
    const mine = new Set(all.map((one) => one.id));
    const teams = (await teamsOf(tx, id)).map((one) => one.id);
    const open = await publicCollections(tx, teams, now());
    const leftOut = new Set(found?.page.leftOut);
    return {
      open: found?.page.open ?? false,
      words: found?.page.words ?? "",
      picture: found?.page.picture ?? false,
      address: `${addressOfHobbin()}/public/person/${id}`,
      collections: open
        .filter((one) => mine.has(one.id))
        .map(({ id, title, teamName, code }) => ({ id, title, teamName, code, isOn: !leftOut.has(id) })),
    };
  },
});
