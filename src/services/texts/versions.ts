import { countWords } from "@/core/text/minutes";
import { versionsOf } from "@/data/queries/marks";
import { findText } from "@/data/queries/texts-and-files";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

/** So many copies of one thing are listed. */
const MOST = 100;

class ReadVersions {
  @Id() resource: string;
}

export const readVersions = reading({
  name: "texts.versions",
  about: "The reading copies of a resource by date, the latest first: the one in use, and those before it.",
  input: ReadVersions,
  allow: can.seeHere("resource"),
  run: async ({ input, tx }) => {
    const now = await findText(tx, input.resource);
    const before = await versionsOf(tx, input.resource, MOST);
    const all = [
      ...(now
        ? [{ number: now.number, origin: now.origin, words: countWords(now.text), at: now.at, inUse: true }]
        : []),
      ...before
        .filter((one) => one.number !== now?.number)
        .map(({ number, origin, words, at }) => ({ number, origin, words, at, inUse: false })),
    ];
    return { versions: all.sort((a, b) => b.at.getTime() - a.at.getTime() || b.number - a.number) };
  },
});
