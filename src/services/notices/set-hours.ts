import { IsInt, IsOptional, Max, Min } from "class-validator";
import { isZone } from "@/core/talk/mail-hours";
import { saveMailHours } from "@/data/queries/notices";
import { action } from "@/mechanism/action";
import { Name } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { fieldProblem } from "@/mechanism/problem";
import { newSecret } from "@/outside/random";

class SetHours {
  /** A time zone by its name (IANA). */
  @Name("a time zone", 64) zone: string;
  /** From and until which hour of the day no letter comes; null: at any. */
  @IsOptional() @IsInt() @Min(0) @Max(23) quietFrom: number | null;
  @IsOptional() @IsInt() @Min(0) @Max(23) quietUntil: number | null;
}

export const setMailHours = action({
  name: "notices.set-hours",
  about: "Says in which time zone one is, and at which hours no letter is to come: they come when these end.",
  input: SetHours,
  allow: can.beSignedIn(),
  locks: null,
  history: null,
  run: async ({ input: { zone, quietFrom = null, quietUntil = null }, scope, tx }) => {
    if (!isZone(zone)) throw fieldProblem("zone", "not-a-zone");
    if ((quietFrom === null) !== (quietUntil === null)) throw fieldProblem("quietUntil", "half-a-span");
    const hours = { zone, quietFrom, quietUntil };
    await saveMailHours(tx, scope.person!, hours, newSecret());
    return { hours };
  },
});
