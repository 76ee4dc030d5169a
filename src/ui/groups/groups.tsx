"use client";

import { useRouter } from "next/navigation";
import { useState } from "react";
import type { Answer } from "@/services/registry";
import { Button } from "../parts/button";
import { Empty } from "../parts/empty";
import { Link } from "../parts/link";
import { Frame, type Me, type TeamRow } from "../shell/frame";
import { useUndo } from "../shell/use-undo";
import { ask } from "../talk/call";
import { useLiveAnswer } from "../talk/use-live-answer";
import { NewGroup } from "./new-group";

type Props = { me: Me; teams: TeamRow[]; team: TeamRow; first: Answer<"groups.read"> };

/** The groups of a team: lists of bare names something can be handed out to. */
export function Groups({ me, teams, team, first }: Props) {
  const router = useRouter();
  const [making, setMaking] = useState(false);
  const [{ groups }, again] = useLiveAnswer(
    team.id,
    ["groups", team.id],
    () => ask("groups.read", { team: team.id }),
    first,
    "groups",
  );
  useUndo(team.id, again);
  return (
    <Frame me={me} teams={teams} team={team}>
      <main id="main" className="min-h-0 flex-1 overflow-y-auto px-4 pb-16">
        <div className="mx-auto max-w-3xl pt-6">
          <div className="flex flex-wrap items-center gap-3">
            <h1 className="mr-auto font-serif text-3xl font-semibold">Groups</h1>
            {!making && groups.length > 0 && (
              <Button look="accent" onClick={() => setMaking(true)}>
                New group
              </Button>
            )}
          </div>
          <p className="mt-1 mb-4 text-quiet">
            A class, a course, a reading circle: names, and nothing else. What you hand out to a group, each
            of them has for themselves.
          </p>
          {making && (
            <div className="mb-6 rounded-md border border-line bg-sheet p-4">
              <NewGroup
                team={team.id}
                onMade={({ id }) => router.push(`/team/${team.id}/groups/${id}`)}
                onLeave={() => setMaking(false)}
              />
            </div>
          )}
          {groups.length === 0 && !making ? (
            <Empty title="No groups yet">
              <p>
                Paste a list of names. Each gets a card with a code; with it they open what you hand out, on
                any device and without an account.
              </p>
              <Button look="accent" onClick={() => setMaking(true)}>
                Make the first group
              </Button>
            </Empty>
          ) : (
            <ul className={groups.length ? "border-t border-line" : ""}>
              {groups.map((group) => (
                <li key={group.id} className="border-b border-line">
                  <Link
                    href={`/team/${team.id}/groups/${group.id}`}
                    className="flex flex-wrap items-baseline gap-x-4 gap-y-1 rounded-md py-3 hover:bg-wash sm:px-2"
                  >
                    <span className="min-w-0 flex-1 font-serif text-lg font-semibold break-words">
                      {group.title}
                    </span>
                    <span className="text-[15px] text-quiet">
                      {sayCount(group.learners, "name")} · {sayCount(group.handouts, "handout")}
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

const sayCount = (n: number, what: string) =>
  n === 0 ? `no ${what}s` : n === 1 ? `1 ${what}` : `${n} ${what}s`;
