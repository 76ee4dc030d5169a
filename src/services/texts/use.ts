import { IsInt, Max, Min } from "class-validator";
import { signatureOf, writeSignature } from "@/core/text/min-hash";
import { countWords, minutesOf } from "@/core/text/minutes";
import { cardOf } from "@/data/queries/resources";
import { action } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { useCopy } from "../resources/store-copy";
import { readVersion } from "./read-version";

class UseVersion {
  @Id() resource: string;
  @IsInt() @Min(1) @Max(1e9) number: number;
}

export const useVersion = action({
  name: "texts.use",
  about:
    "Puts a reading copy a resource had before in the place of the one in use, which stays as one it had; what is marked is looked for in it. The next one that is read takes its place again.",
  input: UseVersion,
  allow: can.bringHere("resource"),
  locks: ({ input }) => ({ resources: [input.resource] }),
  // The copy that was in use is there, to be put in use again.
  history: null,
  run: async ({ input, tx, locked, set, change, emit }) => {
    const row = locked.resource(input.resource);
    const { html, text, origin, number, at } = await readVersion(tx, row.id, input.number);
    const signature = signatureOf(text);
    const copy = { html, text, signature: signature ? writeSignature(signature) : "" };
    await useCopy(tx, set, row, { ...copy, origin, number, at });
    const words = countWords(text);
    const say = { title: row.title };
    const fields = { words, minutes: minutesOf({ ...row, words }) };
    await change("resource", row, fields, { say, forGood: true });
    emit({ subject: row.id, verb: "resources.edit", data: say });
    return { resource: await cardOf(tx, row) };
  },
});
