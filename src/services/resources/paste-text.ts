import { escape } from "@/core/publish/html";
import { languageOf } from "@/core/text/language-of";
import { signatureOf, writeSignature } from "@/core/text/min-hash";
import { countWords, minutesOf } from "@/core/text/minutes";
import { plainText } from "@/core/text/plain";
import { sanitise } from "@/core/text/sanitise";
import { cardOf } from "@/data/queries/resources";
import { action } from "@/mechanism/action";
import { Id, MaybeText, Name } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { storeCopy } from "./store-copy";

class PasteText {
  @Id() resource: string;
  @Name("the text", 400_000) text: string;
  /** The same with its headings and lists, as the clipboard holds it. */
  @MaybeText(1_500_000) html?: string;
}

export const pasteText = action({
  name: "resources.paste-text",
  about:
    "Gives a resource its reading copy by hand, where nothing could be read. No later fetch replaces it.",
  input: PasteText,
  allow: can.bringHere("resource"),
  locks: ({ input }) => ({ resources: [input.resource] }),
  // The text it had stands beside it, and is put in use again as a copy.
  history: null,
  run: async ({ input, tx, locked, set, change, emit }) => {
    const row = locked.resource(input.resource);
    const html = input.html
      ? sanitise(input.html, { formulas: true })
      : input.text
          .split(/\n\s*\n/)
          .map((part) => `<p>${escape(part.trim()).replace(/\n/g, "<br>")}</p>`)
          .join("\n");
    const text = input.html ? plainText(html) : input.text;
    const signature = signatureOf(text);
    await storeCopy(
      tx,
      set,
      row,
      { html, text, signature: signature ? writeSignature(signature) : "" },
      "typed",
    );
    const words = countWords(text);
    const language = row.language ?? languageOf(text);
    const fields = {
      ...{ words, language },
      minutes: minutesOf({ words, seconds: row.seconds, language }),
      typed: [...new Set([...row.typed, "words"])],
    };
    const say = { title: row.title };
    await change("resource", row, fields, { say, forGood: true });
    // Another text of as many words changes no field of the resource.
    emit({ subject: row.id, verb: "resources.edit", data: say });
    return { resource: await cardOf(tx, row) };
  },
});
