import { IsBoolean, IsString, MaxLength } from "class-validator";
import { becomes } from "@/core/policy/leaving";
import {
  closeAccount,
  closeTeams,
  endInvitationsOf,
  forgetInvitationsTo,
  lockMembers,
  teamsOfLeaver,
} from "@/data/queries/leaving";
import { dropFollowsTo } from "@/data/queries/follows";
import { action } from "@/mechanism/action";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";
import { newId } from "@/outside/random";
import { mustBeRightPassword } from "../accounts/right-password";
import { followHash } from "../follows/follow-hash";

class DeletePerson {
  /** Asked for once more. */
  @IsString() @MaxLength(200) password: string;
  /** Whether what stays with teams goes on saying who made it. */
  @IsBoolean() withName: boolean;
}

/** By then all work that was under way is done, in milliseconds. */
const LATER = 3_600_000;

export const deletePerson = action({
  name: "people.delete",
  about:
    "Deletes one's account for good, with what is one's own alone and the teams nobody else is in. What was made in other teams stays there, with one's name or without. It cannot be taken back.",
  input: DeletePerson,
  allow: can.beSignedIn(),
  counted: ({ password }, actor) => mustBeRightPassword(actor, password),
  // All their teams, once it is known which they are.
  locks: null,
  history: null,
  run: async ({ input: { withName }, actor, scope, tx, at, emit, enqueue }) => {
    const person = scope.person!;
    const teams = await teamsOfLeaver(tx, person);
    // First: who comes in by one at this moment is among the members then, or comes in no more.
    const alone = teams.filter((one) => Number(one.members) <= 1).map(({ id }) => id);
    await endInvitationsOf(tx, alone.sort(), at);
    const members = await lockMembers(tx, teams.map(({ id }) => id).sort());
    const going: string[] = [];
    const without: string[] = [];
    for (const { id, name } of teams) {
      const of = members.filter(({ team }) => team === id);
      const own = of.find((one) => one.person === person);
      if (!own) continue;
      const owners = of.filter(({ role }) => role === "owner").length;
      const what = becomes({ role: own.role, members: of.length, owners });
      if (what === "goes") going.push(id);
      else if (what === "needs an owner") without.push(name);
      else emit({ team: id, verb: "members.remove", subject: person });
    }
    if (without.length)
      throw new Problem(
        "hand-over-first",
        `Nobody else owns ${without.map((name) => `“${name}”`).join(", ")}. Make somebody an owner there first.`,
      );
    // Others left a team just now, whose invitations may let somebody in: looked at anew, it is known.
    if (going.some((id) => !alone.includes(id))) throw new Problem("many-at-once");
    await closeTeams(tx, going, at);
    await forgetInvitationsTo(tx, actor.person!.email);
    await dropFollowsTo(tx, followHash("person", person));
    await closeAccount(tx, person, withName ? actor.person!.name : null, at);
    enqueue({
      ...{ id: newId(), kind: "people.erase", createdAt: at, uniqueKey: `people.erase:${person}` },
      payload: { person, team: null },
    });
    for (const team of going)
      // Once more later: work that was under way may have written something behind it.
      for (const [time, runAt] of [at, new Date(at.getTime() + LATER)].entries())
        enqueue({
          ...{ id: newId(), kind: "teams.erase", createdAt: at, runAt },
          ...{ uniqueKey: `teams.erase:${team} ${time}`, payload: { team } },
        });
    return { deleted: person };
  },
});
