import { SMTPServer } from "smtp-server";
import { editionByNumber } from "@/data/queries/editions";
import { addIssue } from "@/data/queries/newsletters";
import { newsletterReader } from "@/data/schema";
import type { Actor } from "@/mechanism/actor";
import { database } from "@/mechanism/changing";
import { newCode, newId } from "@/outside/random";
import { settings } from "@/outside/settings";
import { deliverIssue } from "@/services/newsletters/deliver";
import { as, fillCollection } from "./fill";
import { type Figure, timed } from "./figures";

const READERS = 2_000;

/** A newsletter of twenty items to two thousand, over a mail server on this machine that takes everything at once. */
export async function measureNewsletter(
  actor: Actor,
  team: string,
  resources: readonly string[],
): Promise<Figure[]> {
  const collection = await fillCollection(actor, team, "A newsletter", resources.slice(0, 20));
  await as(actor, "share.set", { collection, audience: "link" });
  await as(actor, "collections.use", { collection, use: "newsletter" });
  for (let from = 0; from < READERS; from += 500)
    await database()
      .insert(newsletterReader)
      .values(
        Array.from({ length: 500 }, (_, i) => ({
          ...{ id: newId(), collection, address: `reader-${from + i}@moss.example`, token: newCode() },
          ...{ state: "confirmed" as const, createdAt: new Date() },
        })),
      );
  const names = new Set<string>();
  const server = new SMTPServer({
    authOptional: true,
    disabledCommands: ["STARTTLS"],
    onData: (stream, _, done) => {
      let text = "";
      stream.on("data", (chunk: Buffer) => (text.length < 4_000 ? (text += chunk.toString()) : undefined));
      stream.on("end", () => {
        names.add(/^Message-ID:\s*(\S+)/im.exec(text)![1]!);
        done();
      });
    },
  });
  const port = 24_580;
  await new Promise<void>((resolve) => server.listen(port, "127.0.0.1", () => resolve()));
  Object.assign(settings(), { smtp: `smtp://127.0.0.1:${port}` });
  // Written down without its job, which the application that runs beside would do.
  await as(actor, "editions.keep", { collection });
  const edition = (await editionByNumber(database(), collection, 1))!.id;
  const issue = newId();
  const row = { id: issue, collection, edition, subject: "Twenty things", createdAt: new Date() };
  const readers = await addIssue(database(), row);
  const took = await timed(() => deliverIssue(issue));
  await new Promise<void>((resolve) => server.close(() => resolve()));
  const rate = names.size / (took / 1_000);
  return [
    {
      what: `A newsletter of 20 items to ${READERS} readers, one copy after the other: copies a second`,
      measured: `${rate.toFixed(0)} (${names.size} of ${readers} by their Message-ID)`,
      aim: "100, all of them",
      met: rate >= 100 && names.size === READERS,
    },
  ];
}
