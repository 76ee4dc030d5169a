"use client";

import { useQuery, useQueryClient } from "@tanstack/react-query";
import { ClipboardCheck, Inbox, Scale } from "lucide-react";
import { placeOfNotice, sayAbout, sayAskedDay, sayNotice } from "@/core/talk/notices";
import type { Answer } from "@/services/registry";
import { Button } from "../parts/button";
import { Link } from "../parts/link";
import { PersonMark } from "../parts/person-mark";
import { sayDone } from "../shell/use-undo";
import { ask, call } from "../talk/call";
import { sayFailure } from "../talk/say-failure";
import { sayAgo } from "../talk/say-time";

type Notices = Answer<"notices.read">;
type One = Notices["notices"][number];
type Asked = Notices["asked"][number];

/** What is addressed to oneself in any team: what was not looked at yet, and behind a press what was, lately. */
export function Addressed({ first, me }: { first: Notices; me: string }) {
  const client = useQueryClient();
  const { data } = useQuery({
    queryKey: ["notices"],
    queryFn: () => ask("notices.read", {}),
    initialData: first,
  });
  const fresh = data.notices.filter((one) => one.seenAt === null);
  const seen = data.notices.filter((one) => one.seenAt !== null);
  if (!data.notices.length && !data.asked.length && !data.toJudge.length) return null;
  const again = () => {
    void client.invalidateQueries({ queryKey: ["notices"] });
    void client.invalidateQueries({ predicate: ({ queryKey }) => queryKey[2] === "waiting" });
  };
  const lookedAtAll = () => void call("notices.look", {}).then(again).catch(sayFailure);
  return (
    <section aria-labelledby="addressed">
      <div className="flex flex-wrap items-center gap-3 border-b border-line pb-2">
        <h2 id="addressed" className="mr-auto font-serif text-2xl font-semibold">
          Addressed to you
        </h2>
        {fresh.length > 1 && (
          <Button small look="quiet" onClick={lookedAtAll}>
            I have seen them all
          </Button>
        )}
      </div>
      {data.asked.length + data.toJudge.length > 0 && (
        <ul aria-label="To see to">
          {data.asked.map((one) => (
            <ToSeeTo key={one.placement} one={one} mine={one.by.id === me} again={again} />
          ))}
          {data.toJudge.map(({ round, team, title, left }) => (
            <li key={round} className="border-b border-line">
              <Link
                href={`/team/${team}/appraisal/${round}`}
                className="flex items-center gap-3 px-2 py-3 hover:bg-wash"
              >
                <span className="flex size-8 shrink-0 items-center justify-center rounded-full bg-wash text-accent">
                  <Scale size={17} aria-hidden />
                </span>
                <span className="min-w-0 break-words text-quiet">
                  <b className="font-semibold text-ink">{title}</b>:{" "}
                  {left === 1
                    ? "1 thing is left for you to judge"
                    : `${left} things are left for you to judge`}
                </span>
              </Link>
            </li>
          ))}
        </ul>
      )}
      {fresh.length > 0 ? (
        <List all={fresh} />
      ) : (
        data.asked.length + data.toJudge.length === 0 && (
          <p className="py-3 text-quiet">Nothing you have not looked at.</p>
        )
      )}
      {seen.length > 0 && (
        <details className="mt-2">
          <summary className="cursor-pointer text-[15px] text-quiet">Looked at lately</summary>
          <List all={seen} />
        </details>
      )}
    </section>
  );
}

const NEW = "shadow-[inset_3px_0_0_var(--accent)]";

/** What one is asked to see to stands here until it is done. */
function ToSeeTo({ one, mine, again }: { one: Asked; mine: boolean; again: () => void }) {
  const { placement, team, collection, about, title, until, by } = one;
  const done = () =>
    void call("placements.done", { placement })
      .then(({ entry }) => (sayDone("Seen to.", team, entry, again), again()))
      .catch((failure: unknown) => (sayFailure(failure), again()));
  return (
    <li className="flex items-start gap-2 border-b border-line pr-2">
      <Link
        href={placeOfNotice({ kind: "asked", team, collection, comment: null, subject: placement })}
        className={`flex min-w-0 flex-1 gap-3 px-2 py-3 hover:bg-wash ${one.seenAt === null ? NEW : ""}`}
      >
        <Who by={by} kind="asked" />
        <span className="min-w-0 flex-1">
          <span className="block text-[15px] text-quiet">
            {mine ? (
              "You wished to check this yourself"
            ) : (
              <>
                <b className="font-semibold text-ink">{by.name ?? "Somebody who left"}</b> asks you to see to
                this
              </>
            )}
            {until && (
              <>
                {" "}
                by <b className="font-semibold text-ink">{sayAskedDay(until)}</b>
              </>
            )}
            , in <b className="font-semibold text-ink">{title}</b>
          </span>
          <span className="line-clamp-2 break-words">{about}</span>
        </span>
      </Link>
      <Button small className="mt-3" aria-label={`Done: ${about}`} onClick={done}>
        Done
      </Button>
    </li>
  );
}

const Who = ({ by, kind }: { by: One["by"] | Asked["by"]; kind: One["kind"] }) =>
  by?.id ? (
    <PersonMark person={{ ...by, id: by.id, name: by.name ?? "?" }} className="mt-0.5 size-8" />
  ) : (
    <span className="mt-0.5 flex size-8 shrink-0 items-center justify-center rounded-full bg-wash text-accent">
      {kind === "suggested" ? <Inbox size={17} aria-hidden /> : <ClipboardCheck size={17} aria-hidden />}
    </span>
  );

const List = ({ all }: { all: readonly One[] }) => (
  <ul>
    {all.map((one) => (
      <li key={one.id} className="border-b border-line">
        <Link
          href={placeOfNotice(one)}
          className={`flex gap-3 px-2 py-3 hover:bg-wash ${one.seenAt === null ? NEW : ""}`}
        >
          <Who by={one.by} kind={one.kind} />
          <span className="min-w-0 flex-1">
            <span className="block text-[15px] text-quiet">
              {one.by && (
                <>
                  <b className="font-semibold text-ink">{one.by.name ?? "Somebody who left"}</b>{" "}
                </>
              )}
              {sayNotice(one)} <b className="font-semibold text-ink">{one.title}</b>
              {sayAbout(one)}
            </span>
            <span className="line-clamp-2 break-words">{one.words}</span>
            <span className="block text-sm text-quiet" suppressHydrationWarning>
              {sayAgo(one.createdAt)}
            </span>
          </span>
        </Link>
      </li>
    ))}
  </ul>
);
