import { asPublished } from "@/core/editions/as-published";
import { itemsIn, type EditionContent } from "@/core/editions/content";
import { issueOf, newSince } from "@/core/newsletter/issue";
import { type Letter, letterOf } from "@/core/newsletter/letter";
import type { Tx } from "@/data/database";
import { draftOf, lastIssueAt } from "@/data/queries/newsletters";
import { newId } from "@/outside/random";
import { addressOfHobbin } from "../accounts/address";
import { contentNow } from "../editions/content-now";
import { placesOf } from "../reader/places";

/** What readers see of the collection, and which of it is chosen for the next issue. */
export async function readComposed(tx: Tx, id: string, at: Date, content?: EditionContent) {
  const draft = await draftOf(tx, id);
  const since = await lastIssueAt(tx, id);
  const now = content ?? (await contentNow(tx, id, at, null));
  const items = itemsIn(now.collection).map(({ id, look, addedAt }) => ({
    ...{ id, look, addedAt: new Date(addedAt) },
  }));
  const fresh = newSince(items, since);
  const known = new Set(items.map((item) => item.id));
  const chosen = draft.chosen?.filter((one) => known.has(one)) ?? fresh;
  return { draft, since, now, fresh, chosen };
}

/** The next issue as it would be sent now. */
export async function composeIssue(tx: Tx, id: string, at: Date, content?: EditionContent) {
  const { draft, now, chosen } = await readComposed(tx, id, at, content);
  return { draft, chosen, content: issueOf(now, new Set(chosen), draft, newId()) };
}

/**
 * An issue as mail.
 * @param code by which the collection is read
 * @param number of the edition that it is; null: it is not one yet
 * @param token of the reader who gets it; null: it is copied, or for one of the team
 */
export function asLetter(
  content: EditionContent,
  subject: string,
  { code, number, token }: { code: string | null; number: number | null; token: string | null },
): Letter {
  const collection = asPublished(content, null, { audience: "link", framedBy: "", keptAt: new Date() })!;
  const site = addressOfHobbin();
  const places = placesOf({ code: code ?? "", edition: number });
  return letterOf(collection, subject || collection.title, {
    site,
    file: places.file,
    page: site + places.self,
    leave: token && `${site}/list/${token}`,
  });
}
