import { reading } from "@/mechanism/action";
import { Name } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { now } from "@/outside/clock";
import { takesNow } from "./takes-now";

class ReadPage {
  @Name("the code of the page", 24) page: string;
}

export const readPage = reading({
  name: "suggestions.page",
  about: "For what things can be suggested here, what is looked for, and whether it is open.",
  input: ReadPage,
  allow: can.suggest(),
  run: async ({ scope }) => {
    const { title, ask, until, letsIn, ...page } = scope.page!;
    return { title, ask, until, letsIn, open: takesNow({ ...page, until }, now()) };
  },
});
