"use client";

import { useRouter } from "next/navigation";
import { useState } from "react";
import { namesIn } from "@/core/groups/names";
import type { Answer } from "@/services/registry";
import { Button, buttonLook } from "../parts/button";
import { Day } from "../parts/day";
import { Empty } from "../parts/empty";
import { Area } from "../parts/field";
import { InlineTitle } from "../parts/inline-title";
import { Link } from "../parts/link";
import { Crumb } from "../shell/crumb";
import { Frame, type Me, type TeamRow } from "../shell/frame";
import { sayDone, useUndo } from "../shell/use-undo";
import { ask, call } from "../talk/call";
import { useLiveAnswer } from "../talk/use-live-answer";
import { sayFailure, whyOf } from "../talk/say-failure";
import { EraseGroup } from "./erase-group";
import { LearnerRow } from "./learner-row";
import { sayNames } from "./new-group";

type Shown = Answer<"groups.look">;
type Props = { me: Me; teams: TeamRow[]; team: TeamRow; first: Shown; home: string };

/** A group: what was handed out to it, who is in it, and their cards. */
export function Group({ me, teams, team, first, home }: Props) {
  const router = useRouter();
  const { id } = first.group;
  const [{ group, learners, handouts }, again] = useLiveAnswer(
    team.id,
    ["group", id],
    () => ask("groups.look", { group: id }),
    first,
    "groups",
  );
  useUndo(team.id, again);
  const [erasing, setErasing] = useState(false);
  const remove = () =>
    call("groups.remove", { group: id })
      .then(({ entry }) => {
        sayDone(`Taken away: ${group.title}`, team.id, entry, () => router.refresh());
        router.push(`/team/${team.id}/groups`);
      })
      .catch(sayFailure);
  return (
    <Frame me={me} teams={teams} team={team}>
      <main id="main" className="min-h-0 flex-1 overflow-y-auto px-4 pb-16">
        <div className="mx-auto flex max-w-3xl flex-col gap-8 pt-6">
          <header>
            <Crumb href={`/team/${team.id}/groups`}>Groups</Crumb>
            <InlineTitle
              level={1}
              label="What the group is called"
              value={group.title}
              onSave={(title) => call("groups.edit", { group: id, title })}
              className="font-serif text-3xl leading-normal font-semibold"
            />
          </header>
          <section className="flex flex-col gap-2">
            <h2 className="border-b border-line pb-2 font-serif text-xl font-semibold">Handed out</h2>
            {handouts.length === 0 ? (
              <p className="text-[15px] text-quiet">
                Nothing yet. Open a collection and choose “Hand out” in its menu.
              </p>
            ) : (
              <ul>
                {handouts.map((one) => (
                  <li key={one.id} className="border-b border-line">
                    <Link
                      href={`/team/${team.id}/handouts/${one.id}`}
                      className="flex flex-wrap items-baseline gap-x-4 gap-y-1 rounded-md py-2.5 hover:bg-wash sm:px-2"
                    >
                      <span className="min-w-0 flex-1 basis-60 font-semibold break-words">{one.title}</span>
                      <span className="text-[15px] text-quiet">
                        <Day of={one.createdAt} /> · {one.opened} of {learners.length} opened it
                        {one.handedIn > 0 && ` · ${one.handedIn} handed in`}
                      </span>
                    </Link>
                  </li>
                ))}
              </ul>
            )}
          </section>
          <section className="flex flex-col gap-2">
            <div className="flex flex-wrap items-end gap-2 border-b border-line pb-2">
              <h2 className="mr-auto font-serif text-xl font-semibold">
                {learners.length === 1 ? "1 name" : `${learners.length} names`}
              </h2>
              {learners.length > 0 && (
                <a
                  href={`/api/cards/${id}`}
                  target="_blank"
                  rel="noreferrer"
                  className={buttonLook("line", true)}
                >
                  Name cards to print
                </a>
              )}
            </div>
            <p className="text-[15px] text-quiet">
              With the code of their card they open what they were given, at{" "}
              <span className="break-all">{home.replace(/^https?:\/\//, "")}/go</span>.
            </p>
            {learners.length === 0 ? (
              <Empty title="Nobody is in it yet">
                <p>Add names below.</p>
              </Empty>
            ) : (
              <ul>
                {learners.map((one) => (
                  <LearnerRow key={one.id} learner={one} team={team.id} again={again} />
                ))}
              </ul>
            )}
            <AddNames group={id} again={again} />
          </section>
          <div className="flex flex-wrap gap-2">
            <Button look="stop" small onClick={() => void remove()}>
              Take the group away
            </Button>
            <Button look="stop" small onClick={() => setErasing(true)}>
              Erase it for good …
            </Button>
          </div>
          {erasing && (
            <EraseGroup
              group={group}
              learners={learners.length}
              onErased={() => router.push(`/team/${team.id}/groups`)}
              onClose={() => setErasing(false)}
            />
          )}
        </div>
      </main>
    </Frame>
  );
}

/** More names, for who comes late. */
function AddNames({ group, again }: { group: string; again: () => void }) {
  const [text, setText] = useState("");
  const [error, setError] = useState("");
  const names = namesIn(text);
  return (
    <form
      noValidate
      className="mt-2 flex flex-col gap-2 sm:max-w-md"
      onSubmit={(event) => {
        event.preventDefault();
        if (!names.length) return setError("Give a name.");
        call("learners.add", { group, names })
          .then(() => (setText(""), again()))
          .catch((failure: unknown) => setError(whyOf(failure)));
      }}
    >
      <Area
        label="More names"
        hint={names.length ? sayNames(names) : "Who comes late has what was handed out before."}
        value={text}
        error={error}
        inputClass="max-h-72 overflow-y-auto"
        onChange={(event) => (setText(event.target.value), setError(""))}
      />
      <Button type="submit" small className="self-start">
        Add
      </Button>
    </form>
  );
}
