import MiniSearch from "minisearch";
import { fold, tokensOf } from "@/core/search/tokens";

/** What is filtered: the words of each item of a list. */
export type Filterable = {
  id: string;
  title: string;
  context: string;
  tags: string;
  source: string;
  description: string;
};
export type FilterRequest = { items: Filterable[] } | { words: string; number: number };
export type FilterAnswer = { number: number; found: string[] };

const FIELDS = ["title", "context", "tags", "source", "description"];
let index = made();

function made() {
  return new MiniSearch<Filterable>({
    fields: FIELDS,
    tokenize: (text) => tokensOf(text, null).map((token) => token.word),
    processTerm: (term) => fold(term),
    searchOptions: {
      prefix: true,
      combineWith: "AND",
      boost: { title: 3, context: 2, tags: 2 },
      tokenize: (text) =>
        tokensOf(text, null)
          .filter((token) => !token.part)
          .map((token) => token.word),
    },
  });
}

self.onmessage = ({ data }: MessageEvent<FilterRequest>) => {
  if ("items" in data) {
    index = made();
    index.addAll(data.items);
    return;
  }
  const found = data.words.trim() ? index.search(data.words).map((hit) => String(hit.id)) : [];
  self.postMessage({ number: data.number, found } satisfies FilterAnswer);
};
