import path from "node:path";
import { bin, ROOT } from "./project.mjs";
import { start, untilAnswers } from "./processes.mjs";

/** Starts the built application and waits until it answers. */
export async function startApplication({ env, port, host = "127.0.0.1", output = "inherit" }) {
  const entry = start(
    "The application",
    process.execPath,
    [path.join(ROOT, "tools/run-built.mjs"), "server"],
    {
      cwd: ROOT,
      output,
      env: { ...process.env, ...env, HOBBIN_PORT: String(port), HOBBIN_LISTEN: host },
    },
  );
  await untilAnswers(`http://127.0.0.1:${port}/api/openapi.json`, entry);
  return entry;
}

/** Starts the stand-in web and mail and waits until they answer. */
export async function startStandIn({ web, smtp, mailIn = smtp + 2, output = "inherit" }) {
  const entry = start(
    "The stand-in",
    bin("tsx"),
    ["standin/serve.ts", String(web), String(smtp), String(mailIn)],
    {
      cwd: ROOT,
      output,
    },
  );
  await untilAnswers(`http://127.0.0.1:${web}/`, entry);
  return entry;
}

/** The settings with which application, database and stand-in find each other. */
export function settingsFor({ database, port, web, smtp, files, secret, mailIn = smtp + 2 }) {
  return {
    HOBBIN_DATABASE_URL: database,
    HOBBIN_ADDRESS: `http://localhost:${port}`,
    HOBBIN_PORT: String(port),
    HOBBIN_SECRET: secret,
    HOBBIN_FILES: files,
    HOBBIN_SMTP: `smtp://127.0.0.1:${smtp}`,
    HOBBIN_FETCH_ALLOW: `http://*.localhost:${web}`,
    HOBBIN_SHELVES: "everybody",
    HOBBIN_MAIL_IN: "loopback",
    HOBBIN_MAIL_IN_PORT: String(mailIn),
    HOBBIN_DOI_SERVICE: `http://doi.localhost:${web}/`,
    HOBBIN_ISBN_SERVICE: `http://doi.localhost:${web}/isbn/`,
    // The stand-in web has few sites, and minds nothing.
    HOBBIN_LINK_PAUSE: "1",
    HOBBIN_MEMENTO: `http://archive.localhost:${web}/timegate/`,
    HOBBIN_LOG: process.env.HOBBIN_LOG ?? "warn",
  };
}
