"use client";

import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useDeferredValue, useState } from "react";
import type { Answer } from "@/services/registry";
import { Field } from "../parts/field";
import { Link } from "../parts/link";
import { ask } from "../talk/call";

type Found = Answer<"handouts.find">["found"][number];

const WHAT: Record<Found["what"], string> = {
  answer: "answered",
  context: "wrote why it stands there",
  find: "found",
};

/** Finds words in what the learners of a handout wrote, and leads to who wrote them. */
export function FindInSheets({ handout, team }: { handout: string; team: string }) {
  const [typed, setTyped] = useState("");
  const words = useDeferredValue(typed.trim());
  const { data } = useQuery({
    queryKey: ["in-sheets", handout, words],
    queryFn: () => ask("handouts.find", { handout, words }),
    enabled: words !== "",
    placeholderData: keepPreviousData,
  });
  return (
    <section aria-label="Find in what they wrote" className="flex flex-col gap-2">
      <Field
        label="Find in what they wrote"
        type="search"
        value={typed}
        maxLength={200}
        className="max-w-md"
        onChange={(event) => setTyped(event.target.value)}
      />
      {words && data && (
        <>
          <p role="status" className="text-sm text-quiet">
            {data.found.length === 0
              ? `Nobody wrote “${words}”.`
              : `${data.found.length}${data.more ? " and more" : ""} ${data.found.length === 1 ? "place" : "places"}`}
          </p>
          <ul>
            {data.found.map((one, i) => (
              <li key={i} className="border-b border-line">
                <Link
                  href={`/team/${team}/handouts/${handout}/${one.learner}`}
                  className="block px-2 py-2 hover:bg-wash"
                >
                  <span className="block text-sm text-quiet">
                    <b className="font-semibold text-ink">{one.name}</b> {WHAT[one.what]}
                    {one.at && `, at “${one.at}”`}
                  </span>
                  <span className="line-clamp-2 font-serif break-words">{one.words}</span>
                </Link>
              </li>
            ))}
          </ul>
        </>
      )}
    </section>
  );
}
