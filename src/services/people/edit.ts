import { IsBoolean } from "class-validator";
import { changePerson } from "@/data/queries/people";
import { action } from "@/mechanism/action";
import { MaybePicture, MaybeText, Optional } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { fieldProblem } from "@/mechanism/problem";
import { tellPersonApart } from "../accounts/told-apart";
import { pictureOf } from "../pictures/store-picture";

class EditPerson {
  @MaybeText(120) name?: string;
  /** A picture in Base64; up to 6 MB. */
  @MaybePicture() picture?: string;
  /** Takes the picture away. */
  @Optional() @IsBoolean() noPicture?: boolean;
}

export const editPerson = action({
  name: "people.edit",
  about: "Changes what others see of oneself: the name and the picture, which is made small and clean.",
  input: EditPerson,
  allow: can.beSignedIn(),
  // Nobody else changes these.
  locks: null,
  history: null,
  run: async ({ input, scope, tx, at }) => {
    const { name } = input;
    if (name === "") throw fieldProblem("name", "name-missing", "Give the name others will see.");
    if (name) await tellPersonApart(tx, { id: scope.person!, name }, "name");
    const image = await pictureOf(tx, input, at);
    await changePerson(tx, scope.person!, {
      ...(name && { name }),
      ...(image !== undefined && { image }),
      updatedAt: at,
    });
    return { name: name ?? null, image: image ?? null };
  },
});
