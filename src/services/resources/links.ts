import { offeredLinks } from "@/core/imports/offered-links";
import { findText } from "@/data/queries/texts-and-files";
import { reading } from "@/mechanism/action";
import { linksInThread } from "@/outside/threads/in-thread";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

/** What is longer would hold up the others, in characters. */
const LONG = 100_000;

class ReadLinks {
  @Id() resource: string;
}

export const readLinks = reading({
  name: "resources.links",
  about: "The links in the reading copy of a resource, the first 2,000, to be picked from.",
  input: ReadLinks,
  allow: can.seeHere("resource"),
  run: async ({ input, tx }) => {
    const text = await findText(tx, input.resource);
    if (!text) return { links: [] };
    // Whoever reads is there for the text; what it leads to may be missing once.
    if (text.html.length > LONG) return { links: await linksInThread(text.html).catch(() => []) };
    return { links: offeredLinks(text.html).map(({ address, title }) => ({ address, title })) };
  },
});
