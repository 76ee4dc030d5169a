import type { Actor } from "@/mechanism/actor";
import { as } from "./world";

type Search = { team: string; query: string; order: "best" | "newest"; most: number };
type Page = { results: { id: string }[]; next: { id: string; score: number } | null };

/** Ids of everything a search finds, in order, page by page. */
export async function everyPage(actor: Actor, search: Search): Promise<string[]> {
  const found: string[] = [];
  let next: Page["next"] = null;
  do {
    const page: Page = await as(actor, "search.find", {
      ...search,
      ...(next && { after: next.id, score: next.score }),
    });
    found.push(...page.results.map((one) => one.id));
    ({ next } = page);
  } while (next);
  return found;
}
