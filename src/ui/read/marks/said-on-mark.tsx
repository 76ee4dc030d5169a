"use client";

import { useContext, useState } from "react";
import { SayField } from "../../bench/talk/say-field";
import { Link } from "../../parts/link";
import { PersonMark } from "../../parts/person-mark";
import { sayAgo } from "../../talk/say-time";
import { useLookedAt } from "../../talk/use-looked-at";
import type { Mark } from "./use-marks";
import { SaidContext, type SaidOnMark } from "./use-said";

/** What is said about a mark: of one that is not chosen how much; of the chosen one all of it, and a way to say more. */
export function SaidOnMarkShort({ mark }: { mark: string }) {
  const count = useContext(SaidContext)?.byMark.get(mark)?.length ?? 0;
  if (!count) return null;
  return <p className="mt-0.5 text-sm text-quiet">{count === 1 ? "1 comment" : `${count} comments`}</p>;
}

const NOTHING: readonly SaidOnMark[] = [];

export function SaidOnMarkWhole({ mark }: { mark: Mark }) {
  const said = useContext(SaidContext);
  const [saying, setSaying] = useState(false);
  // Who has said it, or leaves it, is where they were.
  const [back, setBack] = useState(false);
  const all = said?.byMark.get(mark.id) ?? NOTHING;
  useLookedAt({ comments: all.map((one) => one.id) });
  const at = said?.whereToSay(mark.id);
  if (!said || !at) return null;
  const { me } = said;
  const leave = () => (setSaying(false), setBack(true));
  return (
    <div className="mt-2 flex flex-col gap-1.5 border-t border-line pt-1.5">
      {all.length > 0 && (
        <ul aria-label="Comments" className="flex flex-col gap-1.5">
          {all.map((one) => (
            <li key={one.id}>
              <p className="flex items-center gap-1.5 text-sm text-quiet">
                <PersonMark
                  person={{ id: one.by.id, name: one.by.name ?? "?" }}
                  className="size-5 text-[10px]"
                />
                <b className="min-w-0 truncate font-semibold text-ink">
                  {one.by.id === me ? "You" : (one.by.name ?? "Somebody who left")}
                </b>
                <Link
                  href={`/bench/${one.collection}?said=${one.id}`}
                  className="whitespace-nowrap hover:underline"
                  title={`Where it was said: ${one.title}`}
                >
                  {sayAgo(one.createdAt)}
                </Link>
              </p>
              <p className="break-words whitespace-pre-line">{one.words}</p>
              {one.collection !== at.collection && (
                <p className="truncate text-sm text-quiet">in {one.title}</p>
              )}
            </li>
          ))}
        </ul>
      )}
      {saying ? (
        <SayField
          label={all.length ? "Answer" : "Say something about this mark"}
          among={{ collection: at.collection, me }}
          draft={mark.id}
          autoFocus
          onSay={(words) => void said.say(mark, words)}
          onLeave={leave}
        />
      ) : (
        <button
          type="button"
          autoFocus={back}
          title={`It stands with what is said about it in ${at.title}`}
          onClick={() => setSaying(true)}
          className="min-h-6 self-start text-sm font-semibold text-accent hover:underline"
        >
          {all.length ? "Answer" : "Comment"}
        </button>
      )}
    </div>
  );
}
