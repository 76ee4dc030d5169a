import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";
import { now } from "@/outside/clock";
import { withInside } from "@/core/editions/content";
import { lentContent, MOST_LENT } from "./lent";

class ReadLent {
  /** The public collection, of whatever team. */
  @Id() collection: string;
}

export const readLent = reading({
  name: "shelves.read",
  about:
    "What stands in a public collection and in those inside it, as its readers are shown it, to be taken from.",
  input: ReadLent,
  allow: can.beSignedIn(),
  run: async ({ input, tx }) => {
    const lent = await lentContent(tx, input.collection, now());
    if (!lent) throw new Problem("not-found");
    let left = MOST_LENT;
    const top = lent.content.collection;
    const parts = withInside(top).flatMap((one) =>
      one.sections.map((section) => {
        const items = section.items.filter((item) => item.look === "item").slice(0, Math.max(0, left));
        left -= items.length;
        return {
          collection: one.title,
          section: section.id,
          title: section.title,
          /** Of everything that stands in it, text between the items included: so many come with it. */
          count: section.items.length,
          items: items.map(({ id, kind, title, heading, context, address, host, siteName, minutes }) => ({
            ...{ id, kind, title, heading, context, address, host, siteName, minutes },
          })),
        };
      }),
    );
    const { id, title, teamName } = top;
    return { id, title, teamName, code: lent.code, parts: parts.filter((one) => one.items.length) };
  },
});
