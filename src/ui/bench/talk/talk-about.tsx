"use client";

import { useState } from "react";
import { subjectOf, threadsOf } from "@/core/talk/threads";
import { SayField } from "./say-field";
import { TalkThread } from "./talk-thread";
import { useLookedAt } from "../../talk/use-looked-at";
import { type About, useTalk } from "./use-talk";

/** What is said about one thing: its open threads, a field to say something, and what was settled behind a press. */
export function TalkAbout({ about, focus, label }: { about: About; focus?: boolean; label: string }) {
  const talk = useTalk();
  const [all, setAll] = useState(false);
  const subject = subjectOf({ placement: about.placement ?? null, section: about.section ?? null });
  const threads = threadsOf(talk.comments).filter(({ first }) => subjectOf(first) === subject);
  const settled = threads.filter((one) => one.settled);
  const shown = all ? threads : threads.filter((one) => !one.settled);
  useLookedAt({
    comments: shown.flatMap(({ first, answers }) => [first, ...answers].map((one) => one.id)),
  });
  return (
    <div className="flex flex-col gap-3">
      {shown.length > 0 && (
        <ul className="flex flex-col gap-3">
          {shown.map((thread) => (
            <TalkThread key={thread.first.id} thread={thread} talk={talk} about={about} />
          ))}
        </ul>
      )}
      <SayField
        label={label}
        among={talk.among}
        draft={`${talk.collection} ${subject}`}
        autoFocus={focus}
        onSay={(words) => talk.say(words, about)}
      />
      {settled.length > 0 && (
        <button
          type="button"
          aria-expanded={all}
          onClick={() => setAll(!all)}
          className="self-start text-sm text-accent hover:underline"
        >
          {all ? "Without what is settled" : `${settled.length} settled`}
        </button>
      )}
    </div>
  );
}
