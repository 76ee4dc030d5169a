import { IsInt, Max, Min } from "class-validator";
import { asLines, LINES_AT_ONCE } from "@/core/imports/check-lines";
import { LINES_SCHEMA } from "@/core/imports/line-schema";
import { addPart, lockImport } from "@/data/queries/imports";
import { action } from "@/mechanism/action";
import { Described, Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { fieldProblem, Problem } from "@/mechanism/problem";
import { sha256 } from "@/outside/hash";

class AddLines {
  @Id() import: string;
  /** Number of this part, from 0. */
  @IsInt() @Min(0) @Max(10_000) no: number;
  @Described(LINES_SCHEMA) lines: unknown[];
}

export const addLines = action({
  name: "imports.add-lines",
  about: `Adds up to ${LINES_AT_ONCE} lines to an import that has not been started. A part sent twice counts once.`,
  input: AddLines,
  allow: can.bring("import"),
  locks: null,
  history: null,
  run: async ({ input, scope, tx }) => {
    const row = (await lockImport(tx, input.import))!;
    if (row.person !== scope.person) throw new Problem("import-not-yours");
    const lines = asLines(input.lines, row.places.length);
    if (!lines) throw fieldProblem("lines", "too-many-lines", `At most ${LINES_AT_ONCE} lines at once.`);
    if (row.state !== "staging") return { no: input.no };
    await addPart(tx, {
      import: row.id,
      no: input.no,
      lines,
      outcomes: null,
      state: "waiting",
      hash: sha256(JSON.stringify(lines)),
    });
    return { no: input.no };
  },
});
