import { IsBase64, IsBoolean, MaxLength } from "class-validator";
import { changePerson } from "@/data/queries/people";
import { action } from "@/mechanism/action";
import { MaybeText, Optional } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { fieldProblem } from "@/mechanism/problem";
import { storePicture } from "../pictures/store-picture";

class EditPerson {
  @MaybeText(120) name?: string;
  /** A picture in Base64; up to 6 MB. */
  @Optional()
  @IsBase64(undefined, { message: "This is no picture." })
  @MaxLength(8_200_000, { message: "At most 6 MB, please." })
  picture?: string;
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
    const image = input.picture
      ? await storePicture(tx, input.picture, at)
      : input.noPicture
        ? null
        : undefined;
    await changePerson(tx, scope.person!, {
      ...(name && { name }),
      ...(image !== undefined && { image }),
      updatedAt: at,
    });
    return { name: name ?? null, image: image ?? null };
  },
});
