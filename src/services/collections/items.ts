import { isUUID } from "class-validator";
import { itemsOf } from "@/data/queries/placements";
import { reading } from "@/mechanism/action";
import { Id, MaybeText } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { fieldProblem } from "@/mechanism/problem";

class ReadItems {
  @Id() collection: string;
  /** Where the page before ended: section key, order key and id with ~ between, as `next` gave them. */
  @MaybeText(200) after?: string;
}

const PAGE = 500;
const isKey = (text = "") => /^[\w]+$/.test(text);

export const readItems = reading({
  name: "collections.items",
  about: "Further items of a collection, in order, 500 a page.",
  input: ReadItems,
  allow: can.seeHere("collection"),
  run: async ({ input, tx }) => {
    const [section, position, id, more] = (input.after ?? "").split("~");
    if (
      input.after &&
      !(isKey(position) && isUUID(id) && (!section || isUUID(section)) && more === undefined)
    )
      throw fieldProblem("after", "not-a-place");
    return itemsOf(
      tx,
      input.collection,
      input.after ? { section: section!, position: position!, id: id! } : null,
      PAGE,
    );
  },
});
