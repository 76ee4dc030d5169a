import { itemsIn, withInside } from "@/core/editions/content";
import { findHandout } from "@/data/queries/handouts";
import { sheetWords } from "@/data/queries/sheet-words";
import { reading } from "@/mechanism/action";
import { Id, Name } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { editionContent } from "../sheets/view-of";

/** More is not shown at once; more words narrow it. */
const MOST = 200;
/** Nobody looks for more words. */
const MOST_WORDS = 8;

class FindInSheets {
  @Id() handout: string;
  @Name("what to look for", 200) words: string;
}

export const findInSheets = reading({
  name: "handouts.find",
  about:
    "Where those a handout was given to wrote something with all of these words: answers, contexts of their own, what they found. What they noted for themselves is theirs.",
  input: FindInSheets,
  allow: can.publish("handout"),
  run: async ({ input, tx }) => {
    const handout = (await findHandout(tx, input.handout))!;
    const words = [...new Set(input.words.split(/\s+/))].slice(0, MOST_WORDS);
    const found = await sheetWords(tx, handout.id, words, MOST + 1);
    const content = await editionContent(tx, handout.edition);
    const titles = new Map(
      (content ? withInside(content).flatMap(itemsIn) : []).map((one) => [one.id, one.heading || one.title]),
    );
    return {
      found: found.slice(0, MOST).map(({ item, ...one }) => ({
        ...one,
        at: item === null ? null : (titles.get(item) ?? null),
      })),
      more: found.length > MOST,
    };
  },
});
