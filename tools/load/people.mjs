import { createHash, randomBytes } from "node:crypto";
import { createConnection } from "mysql2/promise";
import { v7 } from "uuid";

/**
 * Makes a team of so many people straight in the database, each an owner with a token: who stands for whom in a load
 * is not what is tried.
 * @param {string} url of the database
 * @returns {Promise<{ team: string, tokens: string[] }>}
 */
export async function makeTeam(url, count, name = "Load") {
  const connection = await createConnection(url);
  try {
    const at = new Date();
    const team = v7();
    await connection.query("INSERT INTO team SET ?", [{ id: team, name, created_at: at }]);
    const tokens = [];
    for (let i = 0; i < count; i++) {
      const [person, token] = [v7(), `hob_${randomBytes(24).toString("base64url")}`];
      const rows = {
        person: {
          name: `Writer ${i + 1}`,
          email: `${person}@load.example`,
          email_verified: 1,
          created_at: at,
          updated_at: at,
        },
        membership: { id: v7(), team, person, role: "owner", created_at: at },
        access_token: {
          id: v7(),
          person,
          name: "Load",
          hash: createHash("sha256").update(token).digest("hex"),
          created_at: at,
        },
      };
      await connection.query("INSERT INTO person SET ?", [{ id: person, ...rows.person }]);
      await connection.query("INSERT INTO membership SET ?", [rows.membership]);
      await connection.query("INSERT INTO access_token SET ?", [rows.access_token]);
      tokens.push(token);
    }
    return { team, tokens };
  } finally {
    await connection.end();
  }
}
