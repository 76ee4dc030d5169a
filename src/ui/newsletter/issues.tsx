"use client";

import { Button, buttonLook } from "../parts/button";
import { Day } from "../parts/day";
import { Progress } from "../parts/progress";
import { call } from "../talk/call";
import { sayFailure } from "../talk/say-failure";
import type { NewsletterState } from "./use-newsletter";

/** What went out, to how many, and what is still on its way. */
export function Issues({
  issues,
  link,
  collection,
  publishes,
  onChanged,
}: {
  issues: NewsletterState["issues"];
  link: string | null;
  collection: string;
  publishes: boolean;
  onChanged: () => Promise<void>;
}) {
  if (!issues.length) return null;
  return (
    <section aria-label="Issues" className="flex flex-col gap-1">
      <h2 className="text-base font-semibold">What went out</h2>
      <ol className="border-t border-line">
        {issues.map((one) => {
          const done = one.readers - one.waiting;
          return (
            <li key={one.id} className="flex flex-col gap-1 border-b border-line py-2.5">
              <div className="flex items-start gap-2">
                <div className="min-w-0 flex-1">
                  <p className="font-semibold break-words">
                    {one.number}. {one.subject}
                  </p>
                  <p className="text-sm text-quiet">
                    <Day of={one.createdAt} /> · {saySent(one)}
                    {one.withdrawnAt && " · withdrawn"}
                  </p>
                </div>
                {link && !one.withdrawnAt && (
                  <a
                    href={`${link}/e/${one.number}`}
                    target="_blank"
                    rel="noreferrer"
                    className={buttonLook("quiet", true)}
                    aria-label={`Open issue ${one.number} as a page`}
                  >
                    Open
                  </a>
                )}
              </div>
              {one.waiting > 0 && !one.isStopped && (
                <Progress done={done} of={one.readers} words={`${done} of ${one.readers} sent`} />
              )}
              {one.isStopped && publishes && (
                <p className="flex flex-wrap items-center gap-2 text-[15px]">
                  The mail server was away too long; {one.waiting} have not got it.
                  <Button
                    small
                    onClick={() =>
                      void call("newsletters.go-on", { collection, issue: one.id })
                        .then(onChanged)
                        .catch(sayFailure)
                    }
                  >
                    Send them theirs
                  </Button>
                </p>
              )}
            </li>
          );
        })}
      </ol>
    </section>
  );
}

function saySent({ readers, waiting, refused }: NewsletterState["issues"][number]): string {
  if (!readers) return "as a page";
  const sent = readers - waiting - refused;
  return `to ${sent} ${sent === 1 ? "reader" : "readers"}${refused ? `, refused for ${refused}` : ""}`;
}
