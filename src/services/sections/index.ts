import { editSection } from "./edit";
import { makeSection } from "./make";
import { moveSection } from "./move";
import { removeSection } from "./remove";

/** What people can do, by name. */
export const actions = {
  "sections.edit": editSection,
  "sections.make": makeSection,
  "sections.move": moveSection,
  "sections.remove": removeSection,
};
