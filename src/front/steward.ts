import { stewardsNow } from "@/data/queries/care";
import { sayWhyNot } from "@/jobs/start";
import { database } from "@/mechanism/changing";
import { nameSteward } from "@/services/stewards/name";

/** What was asked for cannot be done, in words to who runs the installation. */
class NotSo extends Error {}

/**
 * `npm run steward -- add ADDRESS`, `remove ADDRESS` or `list`: names who looks after the installation as a whole. The
 * first one is named here, by who runs it.
 */
async function main(what: string | undefined, address: string): Promise<string> {
  if (what === "list") {
    const all = await stewardsNow(database());
    return all.map((one) => `${one.name} <${one.email}>\n`).join("") || "Nobody is a steward yet.\n";
  }
  if (what !== "add" && what !== "remove")
    throw new NotSo("Say what to do: add ADDRESS, remove ADDRESS, or list.");
  const found = await nameSteward(address, what === "add");
  if (!found) throw new NotSo(`Nobody has an account with the address ${address || "(none was given)"}.`);
  return what === "add" ? `${found.name} is a steward now.\n` : `${found.name} is no steward any more.\n`;
}

const [what, address = ""] = process.argv.slice(3);
main(what, address).then(
  (said) => {
    process.stdout.write(said);
    process.exit(0);
  },
  (error: unknown) => {
    process.stderr.write(`${error instanceof NotSo ? error.message : sayWhyNot(error)}\n`);
    process.exit(1);
  },
);
