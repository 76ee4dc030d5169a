import { eq } from "drizzle-orm";
import { escape } from "@/core/publish/html";
import { signatureOf, writeSignature } from "@/core/text/min-hash";
import { countWords, minutesOf } from "@/core/text/minutes";
import { plainText } from "@/core/text/plain";
import { sanitise } from "@/core/text/sanitise";
import { cardsById, lockResource, touchCollectionsOf, withTags } from "@/data/queries/resources";
import { resource } from "@/data/schema";
import { now } from "@/outside/clock";
import { action } from "../action";
import { Id, MaybeText, Name } from "../input";
import { can } from "../policy";
import { keepCopy } from "./keep-copy";

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
  allow: can.bring("resource"),
  run: async ({ input, tx, tell }) => {
    const row = (await lockResource(tx, input.resource))!;
    const html = input.html
      ? sanitise(input.html)
      : input.text
          .split(/\n\s*\n/)
          .map((part) => `<p>${escape(part.trim()).replace(/\n/g, "<br>")}</p>`)
          .join("\n");
    const text = input.html ? plainText(html) : input.text;
    const signature = signatureOf(text);
    await keepCopy(tx, row, { html, text, signature: signature ? writeSignature(signature) : "" }, "typed");
    const words = countWords(text);
    await tx
      .update(resource)
      .set({
        words,
        minutes: minutesOf({ words, seconds: row.seconds }),
        typed: [...new Set([...row.typed, "words"])],
        updatedAt: now(),
      })
      .where(eq(resource.id, row.id));
    await touchCollectionsOf(tx, [row.id], now());
    tell({ subject: row.id, verb: "resources.edit", data: { title: row.title } });
    return { resource: (await withTags(tx, await cardsById(tx, row.team, [row.id])))[0]! };
  },
});
