"use client";

import type { Answer } from "@/services/registry";
import { Button } from "../../parts/button";
import { call } from "../../talk/call";
import { sayFailure } from "../../talk/say-failure";
import type { Supplied } from "../state/types";

export type Suggestion = Answer<"tray.read">["entries"][number]["suggestions"][number];

/** What the rules suggest for things that wait; one press takes it. */
export function Suggestions({
  entries,
  onDecided,
}: {
  entries: { resource: Supplied; suggestions: Suggestion[] }[];
  onDecided: () => void;
}) {
  const all = entries.flatMap(({ resource, suggestions }) =>
    suggestions.map((suggestion) => ({ resource, suggestion })),
  );
  const decide = (hit: string, take: boolean) =>
    void call("rules.decide", { hit, take }).then(onDecided).catch(sayFailure);
  return (
    <ul
      aria-label="Suggested by rules"
      className="max-h-40 shrink-0 overflow-y-auto border-b border-line bg-warn-wash"
    >
      {all.slice(0, 20).map(({ resource, suggestion }) => (
        <li key={suggestion.id} className="px-4 py-2 text-sm">
          <b className="font-semibold">{resource.title}</b>{" "}
          {[
            suggestion.collectionTitle && `to ${suggestion.collectionTitle}`,
            suggestion.tags.length && `tagged ${suggestion.tags.join(", ")}`,
          ]
            .filter(Boolean)
            .join(", ")}{" "}
          ({suggestion.rule})
          <span className="flex gap-1">
            <Button small look="quiet" className="h-7!" onClick={() => decide(suggestion.id, true)}>
              Take it
            </Button>
            <Button small look="quiet" className="h-7!" onClick={() => decide(suggestion.id, false)}>
              Decline
            </Button>
          </span>
        </li>
      ))}
    </ul>
  );
}
