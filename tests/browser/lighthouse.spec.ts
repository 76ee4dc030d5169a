import { chromium } from "@playwright/test";
import lighthouse from "lighthouse";
import { createServer } from "node:net";
import { expect, newcomer, test } from "./hands";

const freePort = () =>
  new Promise<number>((resolve) => {
    const server = createServer().listen(0, "127.0.0.1", () => {
      const { port } = server.address() as { port: number };
      server.close(() => resolve(port));
    });
  });

/** Lighthouse 12: what does not depend on how busy the machine is; its performance is measured by the bench. */
const LOOKED = ["accessibility", "best-practices", "seo"];

test("pages for everybody have a hundred of a hundred by Lighthouse", async ({
  browser,
  launchOptions,
  baseURL,
}) => {
  const { team, act } = await newcomer(browser, "Oda Reed");
  const { collection } = await act("collections.make", { team, title: "Where the nightjar churrs" });
  for (const text of ["At dusk, from a branch", "On warm nights in June"])
    await act("capture.note", { team, text, collection: collection.id });
  await act("share.set", { collection: collection.id, audience: "public" });
  const { code } = await act<{ code: string }>("share.read", { collection: collection.id });
  await act("teams.set-page", { team, open: true, words: "We listen at night." });
  await act("people.set-page", { open: true });
  const { address: own } = await act<{ address: string }>("people.page", {});
  const pages = [`/c/${code}`, "/public", `/public/${team}`, new URL(own).pathname];

  const port = await freePort();
  const looking = await chromium.launch({
    ...launchOptions,
    args: [...launchOptions.args!, `--remote-debugging-port=${port}`],
  });
  try {
    for (const page of pages) {
      const said = await lighthouse(`${baseURL}${page}`, {
        ...{ port, output: "json", logLevel: "error", onlyCategories: LOOKED },
      });
      const { categories, audits } = said!.lhr;
      const scores = Object.fromEntries(LOOKED.map((one) => [one, categories[one]!.score]));
      const amiss = Object.values(categories)
        .flatMap((one) => one.auditRefs)
        .filter(({ id, weight }) => weight && audits[id]!.score !== null && audits[id]!.score! < 1)
        .map(({ id }) => id);
      expect({ page, amiss, scores }).toEqual({
        ...{ page, amiss: [] },
        scores: { accessibility: 1, "best-practices": 1, seo: 1 },
      });
    }
  } finally {
    await looking.close();
  }
});
