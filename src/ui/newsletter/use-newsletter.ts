"use client";

import { useQuery, useQueryClient } from "@tanstack/react-query";
import { reloads } from "@/core/history/verbs";
import type { Answer } from "@/services/registry";
import { ask, call } from "../talk/call";
import { saveWords } from "../talk/save-words";
import { sayFailure } from "../talk/say-failure";
import { useLive } from "../talk/use-live";

export type NewsletterState = Answer<"newsletters.read">;

/** While copies are on their way it is looked again this often, in milliseconds. */
const ON_THE_WAY = 2_000;

/** The next issue of a newsletter, as it is written and as it would go out, and what became of the others. */
export function useNewsletter(team: string, collection: string, first: NewsletterState) {
  const client = useQueryClient();
  const state = useQuery({
    queryKey: ["newsletter", collection],
    queryFn: () => ask("newsletters.read", { collection }),
    initialData: first,
    refetchInterval: ({ state }) =>
      (state.data as NewsletterState | undefined)?.issues.some((issue) => issue.waiting > 0)
        ? ON_THE_WAY
        : false,
  }).data as NewsletterState;
  const preview = useQuery({
    queryKey: ["newsletter-preview", collection],
    queryFn: () => ask("newsletters.preview", { collection }),
    placeholderData: (before: Answer<"newsletters.preview"> | undefined) => before,
  }).data as Answer<"newsletters.preview"> | undefined;
  const again = async () => {
    await Promise.all(
      ["newsletter", "newsletter-preview"].map((key) =>
        client.invalidateQueries({ queryKey: [key, collection] }),
      ),
    );
  };
  useLive(team, {
    onEvents: (events) =>
      events.some((event) => reloads(event, "item", "items", "list", "head", "resource")) && void again(),
    onReload: () => void again(),
  });
  const save = (field: "subject" | "greeting" | "closing") => async (text: string, base: string[]) => {
    await saveWords("newsletters.write", collection, field, text, base);
    await again();
  };
  const choose = (change: { chosen: string[] } | { onlyNew: true }) =>
    call("newsletters.write", { collection, ...change }).then(again, sayFailure);
  return { state, preview, again, save, choose };
}
