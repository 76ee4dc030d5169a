import { allTeams } from "@/data/queries/care";
import { spaceOf } from "@/data/queries/space";
import { reading } from "@/mechanism/action";
import { MaybeId, MaybeText } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

/** So many at a time. */
const PAGE = 25;

class ReadTeams {
  /** The name and the id of the last one of the page before. */
  @MaybeText(120) after?: string;
  @MaybeId() afterId?: string;
}

export const readTeamsOfAll = reading({
  name: "stewards.teams",
  about:
    "The teams of the installation by name, with how many people are in each, how much space it takes and how many collections it has made public; nothing of what is in them.",
  input: ReadTeams,
  allow: can.steward(),
  run: async ({ input: { after, afterId }, tx }) => {
    const from = after !== undefined && afterId ? { name: after, id: afterId } : null;
    const rows = await allTeams(tx, from, PAGE + 1);
    const page = rows.slice(0, PAGE);
    const spaces = await Promise.all(page.map((one) => spaceOf(tx, one.id)));
    const last = rows.length > PAGE ? page.at(-1)! : null;
    return {
      teams: page.map(({ people, isPublic, ...one }, i) => ({
        ...one,
        people: Number(people),
        isPublic: Number(isPublic),
        bytes: spaces[i]!.reduce((sum, { bytes }) => sum + bytes, 0),
      })),
      next: last && { after: last.name, afterId: last.id },
    };
  },
});
