import { IsArray, IsInt, Max, Min } from "class-validator";
import { MOST_LINES } from "@/core/intake/brought";
import { asPlaces } from "@/core/intake/check-lines";
import { may } from "@/core/policy/abilities";
import { findIntake } from "@/data/queries/intakes";
import { intake } from "@/data/schema";
import { now } from "@/outside/clock";
import { action } from "../action";
import { Id, MaybeId, Name, OneOf } from "../input";
import { can } from "../policy";
import { fieldProblem, Problem } from "../problem";
import { mustBeOfTeam, mustBeSectionOf } from "../same-team";

class StageIntake {
  @Id() team: string;
  /** Made by whoever sends it, so that a request sent twice makes one. */
  @Id() intake: string;
  @Name("a name for the import", 200) name: string;
  @OneOf(["comma", "semicolon", "space", "bar", "none"]) separator:
    "comma" | "semicolon" | "space" | "bar" | "none";
  @MaybeId() into?: string | null;
  @MaybeId() section?: string | null;
  @IsArray() places: unknown[];
  @IsInt() @Min(1) @Max(MOST_LINES) total: number;
}

export const stageIntake = action({
  name: "intakes.stage",
  about:
    "Begins an import: its places first, then its lines by intakes.add-lines, then intakes.start. Nothing is brought in before that.",
  input: StageIntake,
  allow: can.bring("team"),
  run: async ({ input, scope, tx }) => {
    const places = asPlaces(input.places);
    if (!places) throw fieldProblem("places", "These places are no tree, or more than 20,000.");
    if (places.some((place) => !place.section) && !may(scope.role, "arrange"))
      throw new Problem(
        "not-allowed",
        "Making collections is for editors. Bring the links into your Tray instead.",
      );
    if (input.into) await mustBeOfTeam(tx, "collection", input.into, input.team);
    if (input.into && input.section) await mustBeSectionOf(tx, input.section, input.into);
    if (places.some((place) => place.section && place.parent === null) && !input.into)
      throw fieldProblem("into", "Sections need a collection to stand in.");
    const there = await findIntake(tx, input.intake);
    if (there && there.team !== input.team) throw new Problem("conflict", "That id is taken.");
    const at = now();
    if (!there)
      await tx.insert(intake).values({
        id: input.intake,
        team: input.team,
        person: scope.person!,
        name: input.name,
        state: "staging",
        separator: input.separator,
        into: input.into ?? null,
        section: input.section ?? null,
        places,
        standing: [],
        total: input.total,
        createdAt: at,
        updatedAt: at,
      });
    return { intake: input.intake };
  },
});
