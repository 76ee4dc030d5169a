import { offeredLinks } from "@/core/imports/offered-links";
import { findText } from "@/data/queries/texts-and-files";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class ReadLinks {
  @Id() resource: string;
}

export const readLinks = reading({
  name: "resources.links",
  about: "The links in the reading copy of a resource, the first 2,000, to be picked from.",
  input: ReadLinks,
  allow: can.see("resource"),
  run: async ({ input, tx }) => {
    const text = await findText(tx, input.resource);
    return { links: text ? offeredLinks(text.html).map(({ address, title }) => ({ address, title })) : [] };
  },
});
