import type { Tx } from "@/data/database";
import { namelessOfSite, nameOfSite } from "@/data/queries/sites";
import type { ResourceRow } from "@/data/queries/resources";
import type { ChangeSet } from "@/mechanism/change-set";

/** At most so many pages of a site get its name along with one that tells it; the others when they are read next. */
const AT_ONCE = 200;

/** What a site calls itself on its other pages, for one that does not say; null when none of them does. */
export const siteNameOf = (
  tx: Tx,
  { team, host }: Pick<ResourceRow, "team" | "host">,
): Promise<string | null> => (host ? nameOfSite(tx, team, host) : Promise.resolve(null));

/** One page says what the site is called: its other pages here, which do not say it, are called so too. */
export async function learnSiteName(
  tx: Tx,
  set: ChangeSet,
  { id, team, host, siteName }: ResourceRow,
): Promise<void> {
  if (!host || !siteName) return;
  const others = (await namelessOfSite(tx, team, host, AT_ONCE)).filter((row) => row.id !== id);
  await set.change(
    "resource",
    others,
    { siteName },
    { verb: "resources.filled", say: ({ title }) => ({ title, ok: true }) },
  );
}
