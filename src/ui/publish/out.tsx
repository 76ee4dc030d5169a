"use client";

import { may } from "@/core/policy/abilities";
import type { Answer } from "@/services/registry";
import { AUDIENCE_WORDS, AudienceMark } from "../parts/audience";
import { Button, buttonLook } from "../parts/button";
import { Day } from "../parts/day";
import { Empty } from "../parts/empty";
import { Link } from "../parts/link";
import { Frame, type Me, type TeamRow } from "../shell/frame";
import { ask, call } from "../talk/call";
import { useLiveAnswer } from "../talk/use-live-answer";
import { copyText } from "../talk/copy-text";
import { sayFailure } from "../talk/say-failure";
import { toast } from "../talk/toast";
import { sayCode } from "./on-the-wall";
import { TeamPage } from "./team-page";

type One = Answer<"share.out">["out"][number];

/** Everything of a team that is out: for whom, since when and until when, under which address; to be stopped or changed. */
export function Out({
  me,
  teams,
  team,
  first,
  page,
  home,
}: {
  me: Me;
  teams: TeamRow[];
  team: TeamRow;
  first: Answer<"share.out">;
  page: Answer<"teams.page">;
  home: string;
}) {
  const [{ out }, again] = useLiveAnswer(
    team.id,
    ["out", team.id],
    () => ask("share.out", { team: team.id }),
    first,
    "head",
    "tree",
  );
  const stop = (one: One) =>
    call("share.set", { collection: one.id, audience: "team" })
      .then(() => {
        again();
        toast(`“${one.title}” is the team’s own again.`, {
          action: {
            label: "Share it again",
            onClick: () =>
              void call("share.set", { collection: one.id, audience: one.audience })
                .then(again)
                .catch(sayFailure),
          },
        });
      })
      .catch(sayFailure);
  return (
    <Frame me={me} teams={teams} team={team}>
      <main id="main" className="min-h-0 flex-1 overflow-y-auto px-4 pb-16">
        <div className="mx-auto flex max-w-4xl flex-col gap-4 pt-6">
          <h1 className="font-serif text-3xl font-semibold">What is out</h1>
          {may(team.role, "publish") && <TeamPage team={team.id} first={page} />}
          {out.length === 0 ? (
            <Empty title="Nothing of this team is out">
              <p>What you publish stands here: for whom, under which address and code, and until when.</p>
              <Link href={`/team/${team.id}/collections`} className={buttonLook("accent")}>
                Choose a collection
              </Link>
            </Empty>
          ) : (
            <ul>
              {out.map((one) => (
                <li
                  key={one.id}
                  className="flex flex-wrap items-center gap-x-4 gap-y-2 border-b border-line py-3"
                >
                  <div className="min-w-0 flex-1 basis-80">
                    <Link
                      href={`/publish/${one.id}`}
                      className="font-semibold break-words underline-offset-2 hover:underline"
                    >
                      {one.title}
                    </Link>
                    <p className="flex items-start gap-x-2 text-sm text-quiet">
                      <span className="mt-1">
                        <AudienceMark audience={one.isOver ? "team" : one.audience} />
                      </span>
                      <span>
                        {one.isHidden
                          ? "Hidden by the stewards"
                          : one.isOver
                            ? "Closed"
                            : AUDIENCE_WORDS[one.audience]}
                        {one.reach === "all" && " · with everything inside"} · since <Day of={one.since} />
                        {one.until && (
                          <span>
                            {" "}
                            {one.isOver ? "· closed on " : "· until "}
                            <Day of={one.until} />
                          </span>
                        )}
                      </span>
                    </p>
                  </div>
                  {one.short && !one.isOver && (
                    <output
                      aria-label={`Short code of ${one.title}`}
                      className="font-mono text-lg font-semibold"
                    >
                      {sayCode(one.short)}
                    </output>
                  )}
                  <div className="flex gap-1">
                    {!one.isOver && (
                      <Button
                        small
                        onClick={() => void copyText(`${home}/c/${one.code}`, "The address is copied.")}
                        aria-label={`Copy the address of ${one.title}`}
                      >
                        Copy address
                      </Button>
                    )}
                    <Link
                      href={`/publish/${one.id}`}
                      className={buttonLook("quiet", true)}
                      aria-label={`Change who sees ${one.title}`}
                    >
                      Change
                    </Link>
                    {may(team.role, "publish") && (
                      <Button
                        small
                        look="quiet"
                        onClick={() => void stop(one)}
                        aria-label={`Stop sharing ${one.title}`}
                      >
                        {one.isOver ? "Take off the list" : "Stop"}
                      </Button>
                    )}
                  </div>
                </li>
              ))}
            </ul>
          )}
        </div>
      </main>
    </Frame>
  );
}
