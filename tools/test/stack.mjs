import { createWriteStream, mkdirSync } from "node:fs";
import { startApplication } from "../lib/application.mjs";
import { STATE } from "../lib/project.mjs";
import { seed, startAround } from "../lib/stack.mjs";
import { copyDatabase, copyRows, tablesOf } from "../lib/copy-database.mjs";
import { LOG } from "./runners.mjs";

/** The database the application of the walks has, and the demo data as it was at first. */
const DEMO = "hobbin_demo";
const SEEDED = "hobbin_seeded";

/**
 * A throw-away database with the stand-ins, as the integration tests want it.
 * @returns {Promise<{ env: object, port: number, web: number, url: string }>} settings, and where things are
 */
export async function startGround({ folder, base }) {
  mkdirSync(STATE, { recursive: true });
  const ground = await startAround({ folder, base });
  Object.assign(ground.env, {
    HOBBIN_SIGN_IN_LIMIT: "1000",
    HOBBIN_LOG: "silent",
    HOBBIN_STYLES: "tests/integration/files/styles",
  });
  return ground;
}

/**
 * The demo data in a database of its own, and the built application on it. What the application logs goes to a
 * file, which lies beside the picture and trace of a walk that fails.
 * @returns {Promise<{ env: object, application: object }>} the settings for the walks, and the application's process
 */
export async function startDemo({ env: ground, port, web, url }) {
  const env = {
    ...ground,
    // All who walk come from one address; what holds there has a test of its own.
    HOBBIN_SIGN_UP_LIMIT: "500",
    HOBBIN_LOG: "warn",
    HOBBIN_DATABASE_URL: url.replace(/\/\w+$/, `/${DEMO}`),
    HOBBIN_FILES: `${ground.HOBBIN_FILES}-demo`,
  };
  await connected(url, (connection) =>
    connection.query(`CREATE DATABASE ${DEMO} CHARACTER SET utf8mb4 COLLATE utf8mb4_uca1400_ai_ci`),
  );
  await seed(env, web);
  await connected(url, async (connection) =>
    copyDatabase(connection, DEMO, SEEDED, await tablesOf(connection, DEMO)),
  );
  const file = createWriteStream(LOG);
  await new Promise((resolve) => file.once("open", resolve));
  const application = await startApplication({ env, port, output: file });
  return { env: { ...env, HOBBIN_WEB_PORT: String(web) }, application };
}

/**
 * Makes the demo data as it was before any walk, so that walks can be run again on a stack that is kept. Workers of the
 * application stay as they are.
 * @param {string} url of the ground's database
 */
export const resetDemo = (url) =>
  connected(url, async (connection) => {
    const tables = (await tablesOf(connection, SEEDED)).filter((table) => table !== "worker");
    await copyRows(connection, SEEDED, DEMO, tables);
  });

async function connected(url, work) {
  const { createConnection } = await import("mysql2/promise");
  const connection = await createConnection({ uri: url, multipleStatements: true });
  try {
    await work(connection);
  } finally {
    await connection.end();
  }
}
