import { sectionsOf } from "@/data/queries/collections";
import { reading } from "../action";
import { Id } from "../input";
import { can } from "../policy";

class ReadSections {
  @Id() collection: string;
}

export const readSections = reading({
  name: "collections.sections",
  about: "The sections of a collection in order, for choosing where something goes.",
  input: ReadSections,
  allow: can.see("collection"),
  run: async ({ input, tx }) => ({
    sections: (await sectionsOf(tx, input.collection)).map(({ id, title }) => ({ id, title })),
  }),
});
