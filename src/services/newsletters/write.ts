import { draftOf, writeDraft } from "@/data/queries/newsletters";
import { action } from "@/mechanism/action";
import { type Base, Id, MaybeBase, MaybeIds, MaybeText, Optional } from "@/mechanism/input";
import { IsBoolean } from "class-validator";
import { mergedWords } from "@/mechanism/merged-words";
import { can } from "@/mechanism/policy";

class WriteNewsletter {
  @Id() collection: string;
  @MaybeText(200) subject?: string;
  @MaybeText(8_000) greeting?: string;
  @MaybeText(8_000) closing?: string;
  /** What the texts began from, so that what others wrote meanwhile is not lost. */
  @MaybeBase() base?: Base;
  /** Items of the next issue, by placement. */
  @MaybeIds(5_000) chosen?: string[];
  /** The next issue has what came since the last one again. */
  @Optional() @IsBoolean() onlyNew?: boolean;
}

export const writeNewsletter = action({
  name: "newsletters.write",
  about:
    "Writes on the next issue of a newsletter: its subject, its greeting and closing, what stands in it.",
  input: WriteNewsletter,
  allow: can.arrange("collection"),
  locks: ({ input }) => ({ collections: [input.collection] }),
  history: null,
  run: async ({ input, tx, at, emit }) => {
    const { collection } = input;
    const before = await draftOf(tx, collection);
    const { subject, greeting, closing } = mergedWords(input.base, {
      subject: { now: before.subject, wanted: input.subject, most: 200 },
      greeting: { now: before.greeting, wanted: input.greeting, most: 8_000 },
      closing: { now: before.closing, wanted: input.closing, most: 8_000 },
    });
    const fields = {
      ...(subject !== undefined && { subject }),
      ...(greeting !== undefined && { greeting }),
      ...(closing !== undefined && { closing }),
      ...(input.chosen && { chosen: input.chosen }),
      ...(input.onlyNew && { chosen: null }),
    };
    await writeDraft(tx, collection, fields, at);
    emit({ verb: "newsletters.write", subject: collection, collection });
    const { subject: now, greeting: hello, closing: bye } = { ...before, ...fields };
    return { subject: now, greeting: hello, closing: bye };
  },
});
