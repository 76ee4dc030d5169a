import { sayFragment } from "@/core/marks/fragments";
import type { Answer } from "@/services/registry";
import { call } from "../talk/call";
import { newId } from "../talk/ids";
import { sayFailure } from "../talk/say-failure";
import { toast } from "../talk/toast";

type Mark = Answer<"marks.of-collection">["marks"][number];

/** A note on a part says on which, away from it. */
const inWords = (note: string, fragment: string, title: string): string =>
  [note, fragment && `${sayFragment(fragment)}: ${title}`].filter(Boolean).join("\n");

/** Makes items of a collection from marks: a passage becomes a quotation with its source, and what was written beside it is its context. */
export async function asNotes(
  { team, collection }: { team: string; collection: string },
  marks: readonly Mark[],
): Promise<void> {
  try {
    for (const { quote, prefix, suffix, note, fragment, source } of marks) {
      const isQuoted = quote !== "" && source.address !== "";
      const placement = newId();
      await call("capture.note", {
        ...{ team, collection, placement, text: quote || inWords(note, fragment, source.title) },
        ...(isQuoted && {
          ...{ source: source.address, sourceTitle: source.title.slice(0, 500) },
          selector: { type: "TextQuoteSelector", exact: quote, prefix, suffix },
        }),
      });
      if (quote && note) await call("placements.edit", { placement, context: note });
    }
    toast(
      marks.length === 1 ? "It is an item of the collection." : `${marks.length} items of the collection.`,
    );
  } catch (failure) {
    sayFailure(failure);
  }
}
