"use client";

import { useQuery, useQueryClient } from "@tanstack/react-query";
import { type Degree } from "@/core/outcomes/coverage";
import { sayMinutes } from "@/core/text/minutes";
import type { Answer } from "@/services/registry";
import { Button } from "../../parts/button";
import { KindMark } from "../../parts/kind";
import { ask, callInTurn } from "../../talk/call";
import { sayFailure } from "../../talk/say-failure";

type Items = Answer<"outcomes.items">;
type Props = {
  outcome: { id: string; title: string };
  collection: { id: string; title: string };
  brings: boolean;
  onChanged: () => void;
  onLeave: () => void;
};

const CHOICES: readonly (readonly [Degree | "none", string])[] = [
  ["none", "No"],
  ["part", "Partly"],
  ["full", "Fully"],
];

/** The items of a collection, each with how much of an outcome it serves: said with a press. */
export function WhatServes({ outcome, collection, brings, onChanged, onLeave }: Props) {
  const client = useQueryClient();
  const key = ["serving", outcome.id, collection.id];
  const { data, isError } = useQuery({
    queryKey: key,
    queryFn: () => ask("outcomes.items", { outcome: outcome.id, collection: collection.id }),
  });
  const serve = (placement: string, degree: Degree | "none") => {
    client.setQueryData<Items>(
      key,
      (old) =>
        old && {
          ...old,
          items: old.items.map((one) =>
            one.placement === placement ? { ...one, degree: degree === "none" ? null : degree } : one,
          ),
        },
    );
    callInTurn("outcomes.serve", { placement, outcome: outcome.id, degree })
      .then(onChanged)
      .catch((failure: unknown) => {
        sayFailure(failure);
        void client.invalidateQueries({ queryKey: key });
      });
  };
  const may = data?.items.filter(({ degree, because }) => !degree && because.length > 0) ?? [];
  return (
    <section
      aria-label={`What in ${collection.title} serves ${outcome.title}`}
      className="sticky left-0 my-2 max-w-[min(52rem,calc(100vw-2rem))] rounded-md border border-line bg-sheet p-4"
    >
      <div className="flex items-start gap-3">
        <h2 className="min-w-0 flex-1 text-[15px] break-words">
          What in <b className="font-semibold">{collection.title}</b> serves{" "}
          <b className="font-semibold">{outcome.title}</b>?
        </h2>
        <Button small look="quiet" onClick={onLeave}>
          Close
        </Button>
      </div>
      {isError && <p className="text-[15px]">It could not be read. Try again in a moment.</p>}
      {data?.items.length === 0 && <p className="mt-2 text-[15px] text-quiet">Nothing stands in it yet.</p>}
      {brings && may.length > 0 && (
        <p className="mt-2 flex flex-wrap items-center gap-x-3 gap-y-1 text-[15px]">
          {may.length === 1 ? "One more may, by its words." : `${may.length} more may, by their words.`}
          <Button small onClick={() => may.forEach(({ placement }) => serve(placement, "part"))}>
            {may.length === 1 ? "Say that it does, partly" : "Say that they do, partly"}
          </Button>
        </p>
      )}
      <ul className="mt-1 max-h-[60vh] overflow-y-auto">
        {data?.items.map((item) => {
          const words = item.heading || item.title;
          return (
            <li
              key={item.placement}
              className="flex flex-wrap items-center gap-x-3 gap-y-1 border-b border-line py-1.5 last:border-0"
            >
              <KindMark kind={item.kind} />
              <span className="min-w-40 flex-1 text-[15px] break-words">
                {words}
                <span className="text-sm text-quiet">
                  {item.minutes ? ` · ${sayMinutes(item.minutes)}` : ""}
                  {item.appraised ? "" : " · not appraised"}
                  {!item.degree && item.because.length > 0 && ` · may serve it: ${item.because.join(", ")}`}
                </span>
              </span>
              <fieldset disabled={!brings} className="flex gap-1">
                <legend className="sr-only">{words}</legend>
                {CHOICES.map(([degree, word]) => {
                  const chosen = (item.degree ?? "none") === degree;
                  return (
                    <label
                      key={degree}
                      className={`flex h-8 cursor-pointer items-center rounded-md border px-2 text-sm has-focus-visible:outline-2 ${
                        chosen
                          ? degree === "none"
                            ? "border-edge bg-sunk font-semibold"
                            : "border-accent bg-accent font-semibold text-on-accent"
                          : "border-transparent text-quiet hover:bg-wash"
                      }`}
                    >
                      <input
                        type="radio"
                        className="sr-only"
                        name={`${outcome.id}-${item.placement}`}
                        checked={chosen}
                        onChange={() => serve(item.placement, degree)}
                      />
                      {word}
                    </label>
                  );
                })}
              </fieldset>
            </li>
          );
        })}
      </ul>
    </section>
  );
}
