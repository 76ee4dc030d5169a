import { IsArray, IsInt, Max, Min } from "class-validator";
import { asLines, LINES_AT_ONCE } from "@/core/intake/check-lines";
import { lockIntake } from "@/data/queries/intakes";
import { intakePart } from "@/data/schema";
import { sha256 } from "@/outside/hash";
import { action } from "../action";
import { Id } from "../input";
import { can } from "../policy";
import { fieldProblem, Problem } from "../problem";

class AddLines {
  @Id() intake: string;
  /** Number of this part, from 0. */
  @IsInt() @Min(0) @Max(10_000) no: number;
  @IsArray() lines: unknown[];
}

export const addLines = action({
  name: "intakes.add-lines",
  about: `Adds up to ${LINES_AT_ONCE} lines to an import that has not been started. A part sent twice counts once.`,
  input: AddLines,
  allow: can.bring("intake"),
  run: async ({ input, scope, tx }) => {
    const row = (await lockIntake(tx, input.intake))!;
    if (row.person !== scope.person) throw new Problem("not-allowed", "Somebody else began this import.");
    const lines = asLines(input.lines, row.places.length);
    if (!lines) throw fieldProblem("lines", `At most ${LINES_AT_ONCE} lines at once.`);
    if (row.state !== "staging") return { no: input.no };
    await tx
      .insert(intakePart)
      .values({
        intake: row.id,
        no: input.no,
        lines,
        outcomes: null,
        state: "waiting",
        hash: sha256(JSON.stringify(lines)),
      })
      .onDuplicateKeyUpdate({ set: { state: "waiting" } });
    return { no: input.no };
  },
});
