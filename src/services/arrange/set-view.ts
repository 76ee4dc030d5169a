import { IsArray, IsBoolean, IsIn } from "class-validator";
import { COLUMNS, type Column, type Sort, SORTS, type View, VIEWS } from "@/core/list/view-setting";
import { viewSetting } from "@/data/schema";
import { now } from "@/outside/clock";
import { action } from "../action";
import { Id, OneOf } from "../input";
import { can } from "../policy";

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
  allow: can.see("collection"),
  run: async ({ input: { collection, view, sort, down, columns }, scope, tx }) => {
    const setting = { view, sort, down, columns: [...new Set(columns)] };
    const row = { person: scope.person!, collection, view: setting, updatedAt: now() };
    await tx
      .insert(viewSetting)
      .values(row)
      .onDuplicateKeyUpdate({ set: { view: setting, updatedAt: row.updatedAt } });
    return { setting };
  },
});
