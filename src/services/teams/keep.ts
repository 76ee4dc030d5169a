import { IsInt, Max, Min, ValidateIf } from "class-validator";
import { keepsOf, setKeeps } from "@/data/queries/log";
import { action } from "@/mechanism/action";
import { Id, Optional } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

/** Longer than anybody plans. */
const MOST = 3_650;

class Keep {
  @Id() team: string;
  /** Days what is deleted waits in the bin. */
  @Optional() @IsInt() @Min(1) @Max(MOST) bin?: number;
  /** Days it is written down who signed in, was invited, took something out. */
  @Optional() @IsInt() @Min(1) @Max(MOST) log?: number;
  /** Days suggestions stay that were decided; null: for good. */
  @Optional() @ValidateIf((_, value) => value !== null) @IsInt() @Min(1) @Max(MOST) suggestions?:
    number | null;
  /** Days handouts stay that are over, with what learners did; null: for good. */
  @Optional() @ValidateIf((_, value) => value !== null) @IsInt() @Min(1) @Max(MOST) handouts?: number | null;
}

export const keep = action({
  name: "teams.keep",
  about:
    "Sets for how long a team keeps what is deleted, the log, decided suggestions and handouts that are over. What is older goes for good with the next clearing, within a day.",
  input: Keep,
  allow: can.manage("team"),
  locks: null,
  history: null,
  run: async ({ input: { team, ...days }, tx, emit }) => {
    await setKeeps(tx, team, days);
    emit({ verb: "teams.keep", subject: team, data: { ...days } });
    return { keeps: (await keepsOf(tx, team))! };
  },
});
