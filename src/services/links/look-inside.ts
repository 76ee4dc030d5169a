import { linksToAsk } from "@/core/health/inside";
import { findWatch, setFound } from "@/data/queries/links";
import { findText } from "@/data/queries/texts-and-files";
import { changingByItself, database } from "@/mechanism/changing";
import { now } from "@/outside/clock";
import { linksInThread } from "@/outside/threads/in-thread";
import { askLink } from "./ask";
import { inTurn } from "./turn";

/** So many links of a page are asked, for so long, in milliseconds: somebody is judging it. */
const [MOST, RUN] = [30, 40_000];

/** Asks the links in the reading copy of a page, and keeps which lead nowhere. */
export async function lookInside(id: string): Promise<void> {
  const row = await findWatch(database(), id);
  if (!row) return;
  const text = await findText(database(), id);
  const links = linksToAsk(text ? await linksInThread(text.html) : [], row.address, MOST);
  const until = Date.now() + RUN;
  const asked = await Promise.all(
    links.map(async (link) => {
      const answer = await inTurn(new URL(link.address).host, until, () => askLink(link.address));
      if (!answer) return null;
      if (answer.ok) return false;
      // Only what says so, or is not there at all: a site may have a bad day, or mean us, and then nothing is known.
      return answer.problem === "not-found" || answer.problem === "no-answer" || null;
    }),
  );
  await changingByItself(async (tx, begin) => {
    const changes = begin({ team: row.watch.team, person: null });
    await setFound(tx, id, {
      insideAsked: asked.filter((one) => one !== null).length,
      insideDead: links.filter((_, i) => asked[i]),
      insideAt: now(),
    });
    changes.emit({ verb: "links.sought", subject: id });
  });
}
