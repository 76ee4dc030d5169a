import { listedById } from "@/data/queries/listings";
import { pageOfPerson } from "@/data/queries/person-pages";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";
import { now } from "@/outside/clock";
import { onPagesOf } from "../people/public-page";
import { asCard, upToDate } from "./shown";

class ReadOfPerson {
  @Id() of: string;
}

export const readOfPerson = reading({
  name: "shelves.of-person",
  about:
    "The public page of a person who wishes one: their name, what they say of themselves, and the public collections of their teams they have placed something in.",
  input: ReadOfPerson,
  allow: can.ask(),
  run: async ({ input, tx }) => {
    const found = await pageOfPerson(tx, input.of);
    // Whether there is such a person is nobody's business.
    if (!found?.page.open) throw new Problem("not-found");
    const { name, image, page } = found;
    const ids = (await onPagesOf(tx, [input.of], now())).map((one) => one.id);
    const rows = await listedById(tx, ids, now());
    const shown = await upToDate(ids.flatMap((id) => rows.get(id) ?? []));
    return {
      ...{ name, words: page.words, picture: page.picture ? image : null },
      collections: shown.map(asCard),
    };
  },
});
