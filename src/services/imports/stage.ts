import { IsInt, Max, Min } from "class-validator";
import { MOST_LINES } from "@/core/imports/brought";
import { asPlaces } from "@/core/imports/check-lines";
import { PLACES_SCHEMA } from "@/core/imports/line-schema";
import { may } from "@/core/policy/abilities";
import { addImport, findImport, importsUnderWay } from "@/data/queries/imports";
import { action } from "@/mechanism/action";
import { Described, Id, MaybeId, Name, OneOf } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { fieldProblem, Problem } from "@/mechanism/problem";
import { mustBeSectionOf } from "@/mechanism/section-of";
import { settings } from "@/outside/settings";

class StageImport {
  @Id() team: string;
  /** Made by whoever sends it, so that a request sent twice makes one. */
  @Id() import: string;
  @Name("a name for the import", 200) name: string;
  @OneOf(["comma", "semicolon", "space", "bar", "none"]) separator:
    "comma" | "semicolon" | "space" | "bar" | "none";
  @MaybeId() into?: string | null;
  @MaybeId() section?: string | null;
  @Described(PLACES_SCHEMA) places: unknown[];
  @IsInt() @Min(1) @Max(MOST_LINES) total: number;
}

export const stageImport = action({
  name: "imports.stage",
  about:
    "Begins an import: its places first, then its lines by imports.add-lines, then imports.set with `start`. Nothing is brought in before that.",
  input: StageImport,
  allow: can.bring("team"),
  locks: ({ input }) => ({ collections: [input.into] }),
  history: null,
  run: async ({ input, scope, tx, locked, at }) => {
    const places = asPlaces(input.places);
    if (!places) throw fieldProblem("places", "import-places-no-tree");
    if (places.some((place) => !place.section) && !may(scope.role, "arrange"))
      throw new Problem("import-makes-collections");
    if (input.into) locked.mustBeOfTeam("collection", input.into, input.team);
    if (input.into && input.section) await mustBeSectionOf(tx, input.section, input.into);
    if (places.some((place) => place.section && place.parent === null) && !input.into)
      throw fieldProblem("into", "import-sections-homeless");
    const there = await findImport(tx, input.import);
    if (there && there.team !== input.team) throw new Problem("id-taken");
    if (!there && (await importsUnderWay(tx, scope.person!, at)) >= Number(settings().importsAtOnce))
      throw new Problem("too-many-imports");
    if (!there)
      await addImport(tx, {
        id: input.import,
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
    return { import: input.import };
  },
});
