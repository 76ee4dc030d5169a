import { itemsIn } from "@/core/editions/content";
import { countReaders, issuesOf } from "@/data/queries/newsletters";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { now } from "@/outside/clock";
import { readComposed } from "./compose";

class ReadNewsletter {
  @Id() collection: string;
}

/** The job that sends is tried for a day; after so long, in milliseconds, it has been given up. */
const STOPPED = 26 * 3_600_000;

export const readNewsletter = reading({
  name: "newsletters.read",
  about:
    "What is written for the next issue of a newsletter, which items could stand in it and which are new, how many get it, and the issues that went out.",
  input: ReadNewsletter,
  allow: can.see("collection"),
  run: async ({ input, tx }) => {
    const id = input.collection;
    const at = now();
    const { draft, since, now: content, fresh, chosen } = await readComposed(tx, id, at);
    const isNew = new Set(fresh);
    const isChosen = new Set(chosen);
    return {
      ...{ subject: draft.subject, greeting: draft.greeting, closing: draft.closing, since },
      /** Whether somebody chose, so that what comes in is not taken by itself. */
      isChosen: draft.chosen !== null,
      sections: content.collection.sections.map(({ id, title, items }) => ({
        ...{ id, title },
        items: items
          .filter((item) => item.look === "item")
          .map((item) => ({
            ...{ id: item.id, title: item.heading || item.title, context: item.context },
            ...{ isNew: isNew.has(item.id), isIn: isChosen.has(item.id) },
          })),
      })),
      items: itemsIn(content.collection).length,
      readers: await countReaders(tx, id),
      issues: (await issuesOf(tx, id)).map((issue) => ({
        ...issue,
        /** Whether the mail server was away for so long that nothing more goes out by itself. */
        isStopped: issue.waiting > 0 && at.getTime() - issue.createdAt.getTime() > STOPPED,
      })),
    };
  },
});
