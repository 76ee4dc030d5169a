import { IsInt, Max, Min } from "class-validator";
import { savePlace } from "@/data/queries/reading";
import { action } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

const LONGEST = 30_000_000;

class NotePlace {
  @Id() resource: string;
  /** In characters of the text. */
  @IsInt() @Min(0) @Max(LONGEST) place: number;
  @IsInt() @Min(0) @Max(LONGEST) length: number;
}

export const notePlace = action({
  name: "reading.place",
  about: "Notes where one is in a text, to go on there on another device. Nobody else sees it.",
  input: NotePlace,
  allow: can.seeHere("resource"),
  locks: ({ input }) => ({ alive: [input.resource] }),
  history: null,
  run: async ({ input, scope, tx, at }) => {
    const { resource, place, length } = input;
    await savePlace(tx, { person: scope.person!, resource, place, length, updatedAt: at });
    return { place };
  },
});
