"use client";

import { useState } from "react";
import { sayFragment } from "@/core/marks/fragments";
import { may } from "@/core/policy/abilities";
import type { Thread } from "@/core/talk/threads";
import { Link } from "../../parts/link";
import { PersonMark } from "../../parts/person-mark";
import { sayAgo } from "../../talk/say-time";
import { useBench } from "../state/bench-context";
import { SayField } from "./say-field";
import type { About, Comment, useTalk } from "./use-talk";

type Props = { thread: Thread<Comment>; talk: ReturnType<typeof useTalk>; about: About };

/** What somebody said, what was answered, and what can be done with it. */
export function TalkThread({ thread: { first, answers, settled }, talk, about }: Props) {
  const { me, brings } = useBench();
  const [answering, setAnswering] = useState(false);
  return (
    <li
      className={`rounded-md border border-line bg-sheet px-3 py-2 text-[15px] ${settled ? "opacity-80" : ""}`}
    >
      {first.mark && <Meant comment={first} />}
      <Words comment={first} talk={talk} />
      {answers.length > 0 && (
        <ul className="mt-2 flex flex-col gap-2 border-l-3 border-line pl-3">
          {answers.map((one) => (
            <li key={one.id}>
              <Words comment={one} talk={talk} />
            </li>
          ))}
        </ul>
      )}
      {answering ? (
        <div className="mt-2">
          <SayField
            label="Answer"
            among={talk.among}
            does="Answer"
            draft={first.id}
            autoFocus
            onSay={(words) => talk.say(words, { ...about, thread: first.id })}
            onLeave={() => setAnswering(false)}
          />
        </div>
      ) : (
        <p className="mt-1 flex items-center gap-3 text-sm">
          <Small onClick={() => setAnswering(true)}>Answer</Small>
          {(brings || first.by.id === me?.id) && (
            <Small onClick={() => talk.settle(first, !settled)}>{settled ? "Open again" : "Settle"}</Small>
          )}
          {settled && <span className="text-quiet">Settled</span>}
        </p>
      )}
    </li>
  );
}

/** The mark that is meant, in its words. */
function Meant({ comment: { mark, resource, placement, quote, fragment } }: { comment: Comment }) {
  return resource === null ? (
    <p className="mb-1.5 text-sm text-quiet italic">At a mark that is gone</p>
  ) : (
    <blockquote className="mb-1.5 line-clamp-2 border-l-3 border-accent pl-2 font-serif text-quiet">
      <Link href={`/read/${resource}?in=${placement}#mark-${mark}`} className="hover:underline">
        {quote || sayFragment(fragment ?? "") || "A note on the whole"}
      </Link>
    </blockquote>
  );
}

function Words({ comment, talk }: { comment: Comment; talk: Props["talk"] }) {
  const { me, role } = useBench();
  const [writing, setWriting] = useState(false);
  const own = comment.by.id === me?.id;
  if (comment.gone) return <p className="text-quiet italic">Taken back</p>;
  return (
    <>
      <p className="flex items-center gap-1.5 text-sm text-quiet">
        <PersonMark
          person={{ id: comment.by.id, name: comment.by.name ?? "?" }}
          className="size-5 text-[10px]"
        />
        <b className="min-w-0 truncate font-semibold text-ink">
          {own ? "You" : (comment.by.name ?? "Somebody who left")}
        </b>
        <span className="whitespace-nowrap">
          {sayAgo(comment.createdAt)}
          {comment.editedAt && ", other words since"}
        </span>
        {!writing && (
          <span className="ml-auto flex gap-3">
            {own && <Small onClick={() => setWriting(true)}>Change</Small>}
            {(own || may(role ?? null, "arrange")) && (
              <Small onClick={() => talk.remove(comment)}>{own ? "Take back" : "Take away"}</Small>
            )}
          </span>
        )}
      </p>
      {writing ? (
        <SayField
          label="What you said"
          among={talk.among}
          does="Save"
          draft={`${comment.id} changed`}
          first={comment.words}
          autoFocus
          onSay={(words) => void talk.edit(comment, words)}
          onLeave={() => setWriting(false)}
        />
      ) : (
        <p className="mt-0.5 break-words whitespace-pre-line">{comment.words}</p>
      )}
    </>
  );
}

const Small = (props: React.ComponentProps<"button">) => (
  <button type="button" className="min-h-6 text-accent hover:underline" {...props} />
);
