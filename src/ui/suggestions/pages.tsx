"use client";

import type { Answer } from "@/services/registry";
import { buttonLook } from "../parts/button";
import { Empty } from "../parts/empty";
import { Link } from "../parts/link";
import { Frame, type Me, type TeamRow } from "../shell/frame";
import { ask } from "../talk/call";
import { useLiveAnswer } from "../talk/use-live-answer";

type Props = { me: Me; teams: TeamRow[]; team: TeamRow; first: Answer<"suggestions.of-team"> };

/** The collections of a team for which things are suggested, with how much waits in each. */
export function SuggestionPages({ me, teams, team, first }: Props) {
  const [{ pages }] = useLiveAnswer(
    team.id,
    ["suggestion-pages", team.id],
    () => ask("suggestions.of-team", { team: team.id }),
    first,
    "suggestions",
  );
  return (
    <Frame me={me} teams={teams} team={team}>
      <main id="main" className="min-h-0 flex-1 overflow-y-auto px-4 pb-16">
        <div className="mx-auto max-w-3xl pt-6">
          <h1 className="font-serif text-3xl font-semibold">Suggestions</h1>
          <p className="mt-1 mb-4 text-quiet">
            What readers, a class or colleagues suggest for a collection, by an address or a code and without
            an account.
          </p>
          {pages.length === 0 ? (
            <Empty title="Nothing is asked for yet">
              <p>Open a collection and choose “Suggestions” in its menu.</p>
              <Link href={`/team/${team.id}/collections`} className={buttonLook("accent")}>
                To the collections
              </Link>
            </Empty>
          ) : (
            <ul className="border-t border-line">
              {pages.map((page) => (
                <li key={page.collection} className="border-b border-line">
                  <Link
                    href={`/team/${team.id}/suggestions/${page.collection}`}
                    className="flex flex-wrap items-baseline gap-x-4 gap-y-1 rounded-md py-3 hover:bg-wash sm:px-2"
                  >
                    <span className="min-w-0 flex-1 basis-60 font-serif text-lg font-semibold break-words">
                      {page.title}
                    </span>
                    <span className="text-[15px] text-quiet">
                      {page.waiting > 0 && (
                        <b className="font-semibold text-ink">{page.waiting} waiting · </b>
                      )}
                      {page.decided} decided · {page.takes ? "open" : "closed"}
                    </span>
                  </Link>
                </li>
              ))}
            </ul>
          )}
        </div>
      </main>
    </Frame>
  );
}
