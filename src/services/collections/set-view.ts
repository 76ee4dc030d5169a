import { IsArray, IsBoolean, IsIn } from "class-validator";
import { COLUMNS, type Column, type Sort, SORTS, type View, VIEWS } from "@/core/list/view-setting";
import { saveSetting } from "@/data/queries/collections";
import { action } from "@/mechanism/action";
import { Id, OneOf } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class SetView {
  @Id() collection: string;
  @OneOf(VIEWS) view: View;
  @OneOf(SORTS) sort: Sort;
  @IsBoolean() down: boolean;
  @IsArray() @IsIn(COLUMNS, { each: true }) columns: Column[];
}

export const setView = action({
  name: "collections.set-view",
  about: "Remembers how one likes to see a collection. Others see it as they like.",
  input: SetView,
  allow: can.seeHere("collection"),
  locks: null,
  history: null,
  run: async ({ input: { collection, view, sort, down, columns }, scope, tx, at }) => {
    const setting = { view, sort, down, columns: [...new Set(columns)] };
    await saveSetting(tx, { person: scope.person!, collection, view: setting, updatedAt: at });
    return { setting };
  },
});
