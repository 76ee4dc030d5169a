import { erasePerson, eraseWholeTeam, unsign } from "@/services/people/erase";
import type { JobKind } from "./job-kind";

/** Erases what was somebody's alone, when they have left or deleted their account. */
export const erasePersonJob: JobKind = {
  run: ({ person, team }) =>
    erasePerson({ person: String(person), team: typeof team === "string" ? team : null }),
};

/** Takes the name of who has left off what they made in a team. */
export const unsignJob: JobKind = {
  run: ({ team, person, as }) => unsign({ team: String(team), person: String(person), as: String(as) }),
};

/** Erases a team nobody is in any more. */
export const eraseTeamJob: JobKind = { run: ({ team }) => eraseWholeTeam(String(team)) };
