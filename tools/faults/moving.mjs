import { createConnection } from "mysql2/promise";
import { v7 } from "uuid";
import { startApplication } from "../lib/application.mjs";
import { wait } from "../lib/processes.mjs";
import { makeTeam } from "../load/people.mjs";
import { Journal, Person } from "../load/person.mjs";

const [MOVERS, EDITORS, SECONDS, ITEMS] = [40, 10, 60, 400];
/** Nobody moves things without a pause. */
const PAUSE = 1_500;

/** Many people move and edit the items of one collection for a minute. */
export async function moving({ env, port, url }) {
  await startApplication({ env, port });
  const { team, tokens } = await makeTeam(url, MOVERS + EDITORS);
  const base = `http://127.0.0.1:${port}`;
  const setting = new Journal();
  const first = new Person({ token: tokens[0], base, journal: setting });
  const made = await first.call("collections.make", { team, title: "Moved" });
  const collection = made.collection.id;
  const items = [];
  for (let i = 0; i < ITEMS; i++) {
    const placement = v7();
    await first.call("capture.note", { team, text: `Note ${i}`, collection, placement });
    items.push(placement);
  }
  const journal = new Journal();
  let going = true;
  const any = () => items[Math.floor(Math.random() * items.length)];
  const work = tokens.map(async (token, i) => {
    const person = new Person({ token, base, journal });
    // They do not begin all at once.
    await wait(Math.random() * PAUSE);
    for (let n = 0; going; n++) {
      if (i < MOVERS) await person.call("placements.move", { placement: any(), after: any() });
      else await person.call("placements.edit", { placement: any(), heading: `Heading ${n} of ${i}` });
      await wait(PAUSE * (0.5 + Math.random()));
    }
  });
  await wait(SECONDS * 1_000);
  going = false;
  await Promise.all(work);
  const connection = await createConnection(url);
  const [shared] = await connection.query(
    "SELECT position FROM placement WHERE collection = ? AND deleted_at IS NULL GROUP BY section, position HAVING COUNT(*) > 1",
    [collection],
  );
  const [[{ n }]] = await connection.query(
    "SELECT COUNT(*) AS n FROM placement WHERE collection = ? AND deleted_at IS NULL",
    [collection],
  );
  await connection.end();
  const p95 = journal.percentile("placements.move", 95);
  const moves = journal.took.get("placements.move").length;
  return {
    words: {
      title: "Many in one collection",
      about: `\`npm run faults -- movers\`: ${MOVERS} people move and ${EDITORS} edit items of one collection of ${ITEMS} for ${SECONDS} s, each with a rest of ${PAUSE / 1000} s on average.`,
    },
    rows: [
      ["moves; edits", `${moves}; ${journal.took.get("placements.edit").length}`, ""],
      ["errors", journal.errors.length, "0"],
      [
        "a move, median; p95",
        `${Math.round(journal.percentile("placements.move", 50))} ms; ${Math.round(p95)} ms`,
        "p95 under 300 ms",
      ],
      [
        "items that are gone, or share a place in the order",
        `${ITEMS - Number(n)}, ${shared.length}`,
        "0, 0",
      ],
    ],
    met: !journal.errors.length && p95 < 300 && Number(n) === ITEMS && !shared.length,
  };
}
