import { sql } from "drizzle-orm";
import { expect, test } from "vitest";
import { database } from "@/mechanism/changing";
import { Problem } from "@/mechanism/problem";
import { ACTIONS, type ActionName } from "@/services/registry";
import { TABLE } from "./every-action";
import { type Full, makeFull } from "./full-world";

type Row = Record<string, string | null>;
const rowsOf = async (query: ReturnType<typeof sql>): Promise<Row[]> =>
  ((await database().execute(query)) as unknown as [Row[]])[0];

/** What must hold of a team whatever is done to it: each rule as a query for what breaks it. */
const RULES: Record<string, (team: string) => ReturnType<typeof sql>> = {
  // What stands in the bin with its resource comes back with it. Of twins one goes, never both.
  "one of the twins is there, whoever merged them": (team) => sql`
    SELECT subject AS id FROM event WHERE team = ${team} AND verb = 'resources.merged'
    GROUP BY team HAVING COUNT(*) > 1`,
  "a placement's section is its collection's, and lives": (team) => sql`
    SELECT p.id FROM placement p JOIN section s ON s.id = p.section
    WHERE p.team = ${team} AND (s.collection <> p.collection OR (p.deleted_at IS NULL AND s.deleted_at IS NOT NULL))`,
  "a collection stands in a living one, and in no ring": (team) => sql`
    WITH RECURSIVE up AS (
      SELECT id, parent, 0 AS n FROM collection WHERE team = ${team} AND deleted_at IS NULL
      UNION ALL SELECT up.id, c.parent, up.n + 1 FROM up JOIN collection c ON c.id = up.parent WHERE up.n < 20
    )
    SELECT id FROM up WHERE n >= 20
    UNION SELECT c.id FROM collection c JOIN collection a ON a.id = c.parent
      WHERE c.team = ${team} AND c.deleted_at IS NULL AND a.deleted_at IS NOT NULL`,
  "no two items of a section share a key": (team) => sql`
    SELECT MIN(id) AS id FROM placement WHERE team = ${team} AND deleted_at IS NULL
    GROUP BY collection, section, position HAVING COUNT(*) > 1`,
};

async function broken(team: string): Promise<string[]> {
  const found = await Promise.all(
    Object.entries(RULES).map(async ([rule, query]) =>
      (await rowsOf(query(team))).map(({ id }) => `${rule}: ${id}`),
    ),
  );
  return found.flat();
}

const CHANGES = (Object.keys(ACTIONS) as ActionName[]).filter((name) => ACTIONS[name].kind === "change");
const PAIRS = CHANGES.flatMap((a, i) => CHANGES.slice(i).map((b) => [a, b] as const));

/** Pairs that went wrong once; they are tried every time. */
const MENDED = [
  ["duplicates.merge", "duplicates.merge"],
  ["collections.move", "collections.move"],
  ["placements.move", "placements.move-many"],
  ["placements.edit", "placements.move-many"],
  ["bin.restore-placement", "sections.remove"],
  ["messages.decide", "messages.decide"],
] as const satisfies (readonly [ActionName, ActionName])[];

/** A few of all pairs from all over; `npm run test:pairs` tries every one, which takes a quarter of an hour. */
const SAMPLE = 40;
const TRIED =
  process.env.HOBBIN_PAIRS === "all"
    ? PAIRS
    : [
        ...MENDED,
        ...Array.from({ length: SAMPLE }, (_, i) => PAIRS[Math.floor((i * PAIRS.length) / SAMPLE)]!),
      ];

/** Does it as somebody; that it cannot be done any more is said by a Problem and nothing else. */
async function attempt(
  world: Full,
  who: "editor" | "owner",
  name: ActionName,
  input: object,
): Promise<string> {
  try {
    await ACTIONS[name].call(world[who], input);
    return "done";
  } catch (error) {
    return error instanceof Problem ? error.kind : `${name} failed: ${String(error)}`;
  }
}

test(
  "of two people who do anything at the same moment, each is answered, and everything stands somewhere",
  { timeout: TRIED.length * 5_000 },
  async () => {
    const wrong: string[] = [];
    for (const [a, b] of TRIED) {
      const world = await makeFull();
      const answers = await Promise.all([
        attempt(world, "editor", a, TABLE[a].input(world)),
        attempt(world, "owner", b, (TABLE[b].beside ?? TABLE[b].input)(world)),
      ]);
      const failed = answers.filter((one) => one.includes(" failed: "));
      wrong.push(...[...failed, ...(await broken(world.team))].map((one) => `${a} beside ${b}: ${one}`));
    }
    expect(wrong).toEqual([]);
  },
);
