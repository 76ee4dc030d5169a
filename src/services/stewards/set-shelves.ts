import { IsBoolean } from "class-validator";
import { setShelvesForEverybody } from "@/data/queries/care";
import { action } from "@/mechanism/action";
import { can } from "@/mechanism/policy";
import { noteDeed } from "./deed";

class SetShelves {
  @IsBoolean() everybody: boolean;
}

export const setShelves = action({
  name: "stewards.set-shelves",
  about:
    "Decides whether everybody finds what teams made public at one address, without an account, or only who is signed in. Each public collection keeps its own address either way.",
  input: SetShelves,
  allow: can.steward(),
  locks: null,
  history: null,
  run: async ({ input: { everybody }, scope, tx, at }) => {
    await setShelvesForEverybody(tx, everybody);
    const words = everybody ? "everybody" : "who is signed in";
    await noteDeed(tx, { kind: "shelves", person: scope.person, at, words });
    return { everybody };
  },
});
