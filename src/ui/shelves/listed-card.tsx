"use client";

import { useCallback, useState } from "react";
import { may } from "@/core/policy/abilities";
import { sayMinutes } from "@/core/text/minutes";
import type { Answer } from "@/services/registry";
import { FollowMenu } from "../followed/follow-button";
import { Button, buttonLook } from "../parts/button";
import { Cover } from "../parts/cover";
import { Day } from "../parts/day";
import { Link } from "../parts/link";
import { Marked } from "../parts/marked";
import type { TeamRow } from "../shell/frame";
import { call } from "../talk/call";
import { newId } from "../talk/ids";
import { sayFailure } from "../talk/say-failure";

type Listed = Answer<"shelves.newest">["collections"][number];
type Found = Answer<"shelves.find">["results"][number];

/** The size of its piece of cloth, in pixels. */
const [WIDE, HIGH] = [136, 48];

/** A public collection: its cloth, whose it is, how much is in it; when it was found by words, where they stand. */
export function ListedCard({
  one,
  team,
  marks = [],
  passages,
  takenUpBy,
}: {
  one: Listed;
  /** The team one is in. */
  team: TeamRow;
  marks?: Found["marks"];
  passages?: Found["passages"];
  /** How many teams have copied it, show it, or follow it. */
  takenUpBy?: number;
}) {
  const own = one.team === team.id;
  const facts = [
    one.count === 1 ? "1 item" : `${one.count} items`,
    one.minutes ? sayMinutes(one.minutes) : "",
    takenUpBy ? `taken up by ${takenUpBy === 1 ? "1 team" : `${takenUpBy} teams`}` : "",
  ].filter(Boolean);
  return (
    <li className="flex flex-wrap gap-x-5 gap-y-2 border-b border-line py-4 sm:flex-nowrap">
      <Cover
        threads={one.cloth.threads}
        tags={one.cloth.tags}
        width={WIDE}
        height={HIGH}
        className="mt-1 h-12 w-34 shrink-0"
      />
      <div className="min-w-0 flex-1 basis-64">
        <h3 className="font-serif text-lg leading-snug font-semibold break-words">
          <a href={`/c/${one.code}`} className="hover:underline">
            <Marked text={one.title} marks={marks} />
          </a>
        </h3>
        <p className="text-sm text-quiet">
          {own ? "Your own team" : one.teamName} · {facts.join(" · ")} · since <Day of={one.since} />
        </p>
        {passages?.length ? (
          <ul className="mt-1.5 flex flex-col gap-1.5">
            {passages.map(({ passage, item }, i) => (
              <li key={i} className="border-l-3 border-line pl-2.5 text-[15px] break-words">
                {item && <span className="block text-sm text-quiet">{item}</span>}
                <span className="font-serif">
                  {passage.cut[0] && "… "}
                  <Marked text={passage.text} marks={passage.marks} />
                  {passage.cut[1] && " …"}
                </span>
              </li>
            ))}
          </ul>
        ) : (
          one.description && <p className="mt-1 line-clamp-2 font-serif break-words">{one.description}</p>
        )}
        {one.tags.length > 0 && <p className="mt-1 truncate text-sm text-quiet">{one.tags.join(" · ")}</p>}
      </div>
      {!own && (
        <div className="flex items-center gap-1 self-start sm:flex-col sm:items-end">
          {may(team.role, "arrange") && <Borrow one={one} team={team} />}
          <FollowMenu one={one} team={team.id} />
        </div>
      )}
    </li>
  );
}

/** By which it is taken into the own team; then the way to the copy. */
function Borrow({ one, team }: { one: Listed; team: TeamRow }) {
  // The same one however often it is sent.
  const [copy] = useState(newId);
  const [state, setState] = useState<"not yet" | "taking" | "taken">("not yet");
  // What was pressed gives way to the way there: who pressed it by key stands on that then.
  const wayThere = useCallback((link: HTMLAnchorElement | null) => {
    if (document.activeElement === document.body) link?.focus();
  }, []);
  const take = () => {
    setState("taking");
    call("shelves.borrow", { collection: one.id, team: team.id, copy }).then(
      () => setState("taken"),
      (failure: unknown) => {
        setState("not yet");
        sayFailure(failure);
      },
    );
  };
  return (
    <div role="status">
      {state === "taken" ? (
        <Link ref={wayThere} href={`/bench/${copy}`} className={buttonLook("line", true)}>
          Open your copy
        </Link>
      ) : (
        <Button
          small
          aria-disabled={state === "taking"}
          aria-label={`Copy ${one.title} with credit into ${team.name}`}
          onClick={() => state === "not yet" && take()}
        >
          {state === "taking" ? "Copying …" : "Copy with credit"}
        </Button>
      )}
    </div>
  );
}
