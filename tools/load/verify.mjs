import { createConnection } from "mysql2/promise";
import { wait } from "../lib/processes.mjs";

/**
 * Looks, in the database, for what was acknowledged, and for what should not be.
 * @param {string} url of the database
 * @param {import("./work.mjs").Work} work
 * @param {import("./person.mjs").Person} person asks the search
 * @returns {Promise<{ acknowledged: number, lost: string[], doubled: string[], wrong: string[] }>}
 */
export async function verify(url, work, person) {
  const connection = await createConnection(url);
  const rows = async (sql, ...values) => (await connection.query(sql, values))[0];
  try {
    await fed(rows, work.team);
    const lost = [];
    const found = await rows(
      "SELECT r.address, p.id FROM placement p JOIN resource r ON r.id = p.resource WHERE p.team = ?",
      work.team,
    );
    const there = new Map(found.map(({ address, id }) => [address, id]));
    for (const [address, placement] of work.placed)
      if (there.get(address) !== placement) lost.push(`${address} at ${placement}`);
    const lines = await rows("SELECT id, context FROM placement WHERE team = ?", work.team);
    const contexts = new Map(lines.map(({ id, context }) => [id, context]));
    for (const [placement, context] of work.contexts)
      if (contexts.get(placement) !== context)
        lost.push(`"${context}" of ${placement}: "${contexts.get(placement)}"`);
    const tags = await rows(
      "SELECT t.resource, g.name FROM resource_tag t JOIN tag g ON g.id = t.tag WHERE t.team = ?",
      work.team,
    );
    const tagged = new Set(tags.map(({ resource, name }) => `${resource} ${name}`));
    for (const one of work.tagged.keys()) if (!tagged.has(one)) lost.push(one);

    const doubled = [];
    for (const [what, sql] of Object.entries({
      "resource of one address":
        "SELECT address AS one FROM resource WHERE team = ? AND address IS NOT NULL GROUP BY address HAVING COUNT(*) > 1",
      "placement of one resource":
        "SELECT resource AS one FROM placement WHERE team = ? GROUP BY resource HAVING COUNT(*) > 1",
      "tag of one name": "SELECT name AS one FROM tag WHERE team = ? GROUP BY `key` HAVING COUNT(*) > 1",
      "event of one bringing in":
        "SELECT subject AS one FROM event WHERE team = ? AND verb = 'placements.add' GROUP BY subject, collection HAVING COUNT(*) > 1",
    }))
      doubled.push(...(await rows(sql, work.team)).map(({ one }) => `${what}: ${one}`));

    const wrong = (
      await rows(
        "SELECT MIN(id) AS one FROM placement WHERE team = ? AND deleted_at IS NULL GROUP BY collection, section, position HAVING COUNT(*) > 1",
        work.team,
      )
    ).map(({ one }) => `two items share the key of ${one}`);
    const [{ n }] = await rows("SELECT COUNT(*) AS n FROM resource WHERE team = ?", work.team);
    const [kept] = await rows(
      "SELECT SUM(n) AS n FROM facet_count WHERE team = ? AND facet = 'kind'",
      work.team,
    );
    if (Number(kept.n) !== Number(n)) wrong.push(`${kept.n} are counted, ${n} are there`);
    const [indexed] = await rows(
      "SELECT COUNT(*) AS n FROM term_list WHERE team = ? AND terms <> ''",
      work.team,
    );
    if (Number(indexed.n) !== Number(n)) wrong.push(`${indexed.n} are in the index, ${n} are there`);
    // The search finds by the words of the newest lines, which stand nowhere else.
    for (const [placement, context] of [...work.contexts].slice(-20)) {
      const word = context.split(" ").at(-1);
      const said = await person.call("search.find", { team: work.team, query: `"${word}"` });
      if (said?.results?.length !== 1)
        wrong.push(`"${word}" of ${placement} is found ${said?.results?.length} times`);
    }
    return {
      acknowledged: work.placed.size + work.contexts.size + work.tagged.size,
      lost,
      doubled,
      wrong,
    };
  } finally {
    await connection.end();
  }
}

/** Until the index has been fed with everything, a minute at the most. */
async function fed(rows, team) {
  for (let i = 0; i < 600; i++) {
    const [{ n }] = await rows("SELECT COUNT(*) AS n FROM reindex_queue WHERE team = ?", team);
    if (!Number(n)) return;
    await wait(100);
  }
}
