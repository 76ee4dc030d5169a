import { housesMoved } from "@/core/health/house";
import { planOf } from "@/core/health/when";
import { foundLinks, movedLinks, spreadOf } from "@/data/queries/links";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { settings } from "@/outside/settings";

/** More are not looked through at once. */
const MOST = 500;
/** By so many that moved it is seen whether a site moved house. */
const MOST_MOVED = 2_000;

class ReadLinks {
  @Id() team: string;
}

export const readLinks = reading({
  name: "links.read",
  about:
    "What has become of the addresses of a team that stand somewhere: gone, moved, behind a sign-in, another page than the one that was kept; with where each stands, by which rules whole sites seem to have moved, and what watching all of them takes.",
  input: ReadLinks,
  allow: can.see("team"),
  run: async ({ input, tx }) => {
    const [found, moved, spread] = await Promise.all([
      foundLinks(tx, input.team, MOST),
      movedLinks(tx, input.team, MOST_MOVED),
      spreadOf(tx, input.team),
    ]);
    const pause = Number(settings().linkPause);
    return { found, houses: housesMoved(moved).slice(0, 5), ...spread, plan: planOf(spread, pause), pause };
  },
});
