import { sectionsOf } from "@/data/queries/collections";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class ReadSections {
  @Id() collection: string;
}

export const readSections = reading({
  name: "collections.sections",
  about: "The sections of a collection in order, for choosing where something goes.",
  input: ReadSections,
  allow: can.seeHere("collection"),
  run: async ({ input, tx }) => ({
    sections: (await sectionsOf(tx, input.collection)).map(({ id, title }) => ({ id, title })),
  }),
});
