import { FLOOR, lift } from "@/core/shelves/near";
import { findResource } from "@/data/queries/resources";
import { listedById } from "@/data/queries/listings";
import { type Beside, besidesIn, keepersOf, publicTeams, teamsHaving } from "@/data/queries/near";
import type { Tx } from "@/data/database";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { now } from "@/outside/clock";
import { addressHash } from "@/outside/hash";

/** In so many collections it is looked for, the newest; so many are shown, and so many things beside it. */
const [KEEPERS, SHOWN, BESIDE] = [500, 8, 6];
/** What stands beside it hardly more often than anywhere says nothing. */
const TELLING = 1.2;

class Keeping {
  @Id() resource: string;
}

export const readKeeping = reading({
  name: "shelves.keeping",
  about:
    "Who else keeps a page: in how many public collections of other teams it stands, under which headings and context lines, and what stands beside it there more often than by chance (lift; in three teams at least).",
  input: Keeping,
  allow: can.see("resource"),
  run: async ({ input, scope, tx }) => {
    const at = now();
    const { address } = (await findResource(tx, input.resource))!;
    if (!address) return { count: 0, more: false, places: [], beside: [] };
    const hash = addressHash(address);
    const keepers = await keepersOf(tx, hash, at, KEEPERS);
    const others = keepers.filter((one) => one.team !== scope.team);
    const rows = await listedById(
      tx,
      others.slice(0, SHOWN).map((one) => one.id),
      at,
    );
    const places = [...rows.values()].flatMap(({ id, code, teamName, content }) => {
      const item = content?.items.find((one) => one.address && addressHash(one.address) === hash);
      if (!content || !item) return [];
      const { heading, context, section } = item;
      return [{ id, code, teamName, title: content.title, section, heading, context }];
    });
    const beside = await besidesIn(
      tx,
      keepers.map((one) => one.id),
      hash,
      FLOOR,
      BESIDE * 10,
    );
    return {
      ...{ count: others.length, more: keepers.length === KEEPERS, places },
      beside: await besideIt(tx, hash, beside, at),
    };
  },
});

/** What stands beside it more often than by chance, the most telling first. */
async function besideIt(tx: Tx, hash: string, found: readonly Beside[], at: Date) {
  if (!found.length) return [];
  const teams = await teamsHaving(tx, [hash, ...found.map((one) => one.hash)]);
  const all = await publicTeams(tx, at);
  const telling = found
    .map((one) => ({ ...one, lift: lift(one.both, teams.get(hash)!, teams.get(one.hash)!, all) ?? 0 }))
    .filter((one) => one.lift >= TELLING)
    .sort((a, b) => b.lift - a.lift || b.both - a.both)
    .slice(0, BESIDE);
  const rows = await listedById(
    tx,
    telling.map((one) => one.one),
    at,
  );
  return telling.flatMap((one) => {
    const row = rows.get(one.one);
    const item = row?.content?.items.find((each) => each.address && addressHash(each.address) === one.hash);
    if (!row || !item?.id) return [];
    const { id, title, address } = item;
    return [{ id, from: row.id, title, address, teams: one.both, lift: Math.round(one.lift * 10) / 10 }];
  });
}
