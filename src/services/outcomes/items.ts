import { fitting } from "@/core/feeds/fitting";
import { findOutcome, itemsServing, outcomesOf } from "@/data/queries/outcomes";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";
import { weighInThread } from "@/outside/threads/in-thread";

/** So many items are looked through for one outcome, and of so many the words are compared. */
const [MOST, COMPARED] = [1_000, 300];

class ReadItemsServing {
  @Id() collection: string;
  @Id() outcome: string;
}

export const readItemsServing = reading({
  name: "outcomes.items",
  about:
    "The items of a collection in their order, with how much of an outcome each serves; of those that serve nothing of it yet, the words by which they may.",
  input: ReadItemsServing,
  allow: can.see("collection"),
  run: async ({ input, scope, tx }) => {
    const outcome = await findOutcome(tx, input.outcome);
    if (outcome?.team !== scope.team) throw new Problem("not-found");
    const items = await itemsServing(tx, input.outcome, input.collection, MOST);
    const open = items.filter(({ degree }) => degree === null).slice(0, COMPARED);
    const above = (await outcomesOf(tx, outcome.team)).find(({ id }) => id === outcome.parent);
    const because = open.length
      ? await likely({ title: outcome.title, above: above?.title ?? "" }, open)
      : new Map<string, string[]>();
    return {
      items: items.map(({ context: _c, description: _d, language: _l, ...item }) => ({
        ...item,
        /** The words by which it may serve the outcome; none where nothing speaks for it. */
        because: because.get(item.placement) ?? [],
      })),
    };
  },
});

type Words = Pick<
  Awaited<ReturnType<typeof itemsServing>>[number],
  "placement" | "heading" | "title" | "context" | "description" | "language"
>;

/** Which items may serve an outcome, by the words both have, each with these. */
async function likely(
  { title, above }: { title: string; above: string },
  items: readonly Words[],
): Promise<Map<string, string[]>> {
  const nothing = { tags: [], source: [], notes: "", marks: [], text: "" };
  // Words of the outcome end as the words of what is compared with it do.
  const language = items.find((item) => item.language)?.language ?? null;
  const [own, ...theirs] = await weighInThread([
    { ...nothing, title, description: above, contexts: [], language },
    ...items.map((item) => ({
      ...nothing,
      title: item.title,
      description: item.description,
      contexts: [item.heading, item.context],
      language: item.language ?? language,
    })),
  ]);
  const found = fitting(
    own!,
    theirs.map((terms, i) => ({ id: items[i]!.placement, terms })),
  );
  return new Map(found.map(({ id, words }) => [id, words]));
}
