import { planOf } from "@/core/health/when";
import { foundLinks, spreadOf } from "@/data/queries/links";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { settings } from "@/outside/settings";

/** More are not looked through at once. */
const MOST = 500;

class ReadLinks {
  @Id() team: string;
}

export const readLinks = reading({
  name: "links.read",
  about:
    "What has become of the addresses of a team that stand somewhere: gone, moved, behind a sign-in, another page than the one that was kept; with where each stands, and what watching all of them takes.",
  input: ReadLinks,
  allow: can.see("team"),
  run: async ({ input, tx }) => {
    const [found, spread] = await Promise.all([foundLinks(tx, input.team, MOST), spreadOf(tx, input.team)]);
    const pause = Number(settings().linkPause);
    return { found, ...spread, plan: planOf(spread, pause), pause };
  },
});
