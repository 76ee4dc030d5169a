"use client";

import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { sayFragment } from "@/core/marks/fragments";
import type { Answer } from "@/services/registry";
import { Link } from "../../parts/link";
import { ask } from "../../talk/call";
import { SayField } from "../talk/say-field";
import { useTalk } from "../talk/use-talk";
import { MeaningWord } from "../../read/marks/meaning-word";

/** So many marks are shown with an item; the others stand in its text. */
const MOST = 5;

/** What is marked in an item's text, the way to each place, and something to say about it. */
export function ItemMarks({ resource, placement }: { resource: string; placement: string | null }) {
  const { data } = useQuery({
    queryKey: ["marks", resource],
    queryFn: () => ask("marks.of-resource", { resource }),
  });
  // What one noted for oneself on the whole has its own field.
  const marks = (data?.marks ?? []).filter((one) => !one.private || one.quote || one.fragment);
  if (!data || !marks.length) return null;
  const meanings = new Map(data.meanings.map((one) => [one.id, one]));
  return (
    <section aria-label="Marks" className="text-[15px]">
      <h3 className="text-sm font-semibold">
        {marks.length} {marks.length === 1 ? "mark" : "marks"}
      </h3>
      <ul>
        {marks.slice(0, MOST).map((mark) => (
          <li key={mark.id} className="py-1">
            <Link href={`/read/${resource}#mark-${mark.id}`} className="group line-clamp-2">
              {meanings.has(mark.meaning ?? "") && (
                <>
                  <MeaningWord meaning={meanings.get(mark.meaning!)!} />{" "}
                </>
              )}
              <span className="font-serif text-quiet group-hover:underline">
                {mark.quote || sayFragment(mark.fragment)}
              </span>{" "}
              {mark.note}
            </Link>
            {placement && !mark.private && <CommentOn mark={mark} placement={placement} />}
          </li>
        ))}
      </ul>
      {marks.length > MOST && (
        <Link href={`/read/${resource}`} className="text-sm text-accent hover:underline">
          All of them in the text
        </Link>
      )}
    </section>
  );
}

type Mark = Answer<"marks.of-resource">["marks"][number];

/** By which something is said about a mark, at the item in whose text it stands. */
function CommentOn({ mark, placement }: { mark: Mark; placement: string }) {
  const talk = useTalk();
  const [saying, setSaying] = useState(false);
  // Who has said it, or leaves it, is where they were.
  const [back, setBack] = useState(false);
  const leave = () => (setSaying(false), setBack(true));
  const words = mark.quote || sayFragment(mark.fragment) || mark.note;
  if (!saying)
    return (
      <button
        type="button"
        autoFocus={back}
        aria-label={`Comment on “${words}”`}
        onClick={() => setSaying(true)}
        className="text-sm font-semibold text-accent hover:underline"
      >
        Comment
      </button>
    );
  return (
    <div className="mt-1.5">
      <SayField
        label="Say something about this mark"
        among={talk.among}
        draft={mark.id}
        autoFocus
        onSay={(said) => {
          talk.say(said, { placement, mark });
          leave();
        }}
        onLeave={leave}
      />
    </div>
  );
}
