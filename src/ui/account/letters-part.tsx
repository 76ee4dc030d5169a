"use client";

import { useState } from "react";
import { MAIL_TIMES, type MailTime, type NoticeKind } from "@/core/talk/notices";
import type { Answer } from "@/services/registry";
import { Choice } from "../parts/field";
import { call } from "../talk/call";
import { sayFailure } from "../talk/say-failure";

const TIME_WORDS: Record<MailTime, string> = { "at-once": "At once", daily: "Once a day", never: "Never" };
const OPTIONS = MAIL_TIMES.map((time) => [time, TIME_WORDS[time]] as const);
const KINDS: Record<NoticeKind, string> = {
  mention: "When somebody means you, by @ and your name",
  answer: "When somebody answers where you have said something",
  asked: "When somebody asks you to see to an item",
  suggested: "When something is suggested for a collection of yours",
  helped: "When readers say that something of yours helped",
  hidden: "When stewards hide a collection from its readers",
  returned: "When learners hand in what you handed out",
};

/** What of that which is addressed to one comes by mail, and when; each choice holds at once. */
export function LettersPart({ first }: { first: Answer<"notices.wishes">["wishes"] }) {
  const [wishes, setWishes] = useState(first);
  const set = (kind: NoticeKind, time: MailTime) => {
    const before = wishes;
    setWishes({ ...wishes, [kind]: time });
    call("notices.wish", { [kind]: time }).catch((error: unknown) => {
      setWishes(before);
      sayFailure(error);
    });
  };
  return (
    <div className="flex flex-col gap-4">
      {(Object.keys(KINDS) as NoticeKind[]).map((kind) => (
        <Choice
          key={kind}
          label={KINDS[kind]}
          options={OPTIONS}
          value={wishes[kind]}
          onChange={(event) => set(kind, event.target.value as MailTime)}
          className="max-w-md"
        />
      ))}
    </div>
  );
}
