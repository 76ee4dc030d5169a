"use client";

import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { reloads } from "@/core/history/verbs";
import { clockOf, sayTime } from "@/core/lesson/clock";
import { saySum } from "@/core/lesson/say-sum";
import { may } from "@/core/policy/abilities";
import type { Answer } from "@/services/registry";
import { Button, buttonLook } from "../parts/button";
import { Field } from "../parts/field";
import { Link } from "../parts/link";
import { SavedText } from "../parts/saved-text";
import { Crumb } from "../shell/crumb";
import { Frame, type Me, type TeamRow } from "../shell/frame";
import { ask, call } from "../talk/call";
import { saveWords } from "../talk/save-words";
import { sayFailure } from "../talk/say-failure";
import { useLive } from "../talk/use-live";
import { MinutesField } from "./minutes-field";
import { RecordWord } from "./record-word";

type Plan = Answer<"lessons.read">;
type Props = {
  me: Me;
  teams: TeamRow[];
  team: TeamRow;
  collection: Answer<"collections.read">["collection"];
  first: Plan;
};

/** The plan of a lesson: what it is for, how long there is, and what happens in each phase. The clock adds up. */
export function Lesson({ me, teams, team, collection, first }: Props) {
  const { id } = collection;
  const client = useQueryClient();
  const plan = useQuery({
    queryKey: ["lesson", id],
    queryFn: () => ask("lessons.read", { collection: id }),
    initialData: first,
  }).data as Plan;
  const [begin, setBegin] = useState("");
  const again = () => client.invalidateQueries({ queryKey: ["lesson", id] });
  useLive(team.id, {
    onEvents: (events) =>
      events.some((event) => reloads(event, "item", "items", "list", "head", "resource")) && void again(),
    onReload: () => void again(),
  });
  const arranges = may(team.role, "arrange");
  const clock = clockOf(plan.phases, plan.time);
  const tooLong = clock.left !== null && clock.left < 0;
  const saving =
    (section: string, field: "teacher" | "learners") =>
    async (text: string, base: string[]): Promise<void> => {
      await saveWords("sections.edit", section, field, text, base);
      await again();
    };
  const set = (work: Promise<unknown>) => void work.then(again, sayFailure);
  return (
    <Frame me={me} teams={teams} team={team}>
      <main id="main" className="min-h-0 flex-1 overflow-y-auto px-4 pb-16">
        <div className="mx-auto flex max-w-4xl flex-col gap-5 pt-3">
          <div>
            <Crumb href={`/bench/${id}`}>{collection.title}</Crumb>
            <h1 className="font-serif text-3xl font-semibold">Plan: {collection.title}</h1>
          </div>
          <div className="grid gap-x-6 gap-y-3 sm:grid-cols-[minmax(0,1fr)_8rem_8rem]">
            <SavedText
              lines
              label="What learners can do afterwards"
              value={plan.aim}
              maxLength={4_000}
              readOnly={!arranges}
              onSave={async (text, base) => {
                await saveWords("collections.edit", id, "description", text, base);
                await again();
              }}
            />
            <MinutesField
              label="Minutes there are"
              value={plan.time}
              disabled={!arranges}
              onSave={(aimMinutes) => set(call("collections.edit", { collection: id, aimMinutes }))}
            />
            <Field
              label="It begins at"
              type="time"
              value={begin}
              onChange={(event) => setBegin(event.target.value)}
            />
          </div>
          <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
            <p role="status" className={`text-[15px] font-semibold ${tooLong ? "text-stop" : ""}`}>
              {saySum(clock)}
            </p>
            <a
              href={`/api/plan/${id}${begin ? `?at=${begin}` : ""}`}
              target="_blank"
              rel="noreferrer"
              className={buttonLook("line", true)}
            >
              On paper
            </a>
            <Link href={`/publish/${id}`} className={buttonLook("quiet", true)}>
              As learners see it
            </Link>
          </div>
          {plan.phases.length === 0 ? (
            <p className="text-quiet">
              A phase is a section of the collection. “Use it as a lesson” in its menu makes four to begin
              with.
            </p>
          ) : (
            <ol className="border-t border-line">
              {clock.phases.map((phase) => (
                <li
                  key={phase.id}
                  className="grid gap-x-5 gap-y-2 border-b border-line py-4 sm:grid-cols-[7rem_minmax(0,1fr)]"
                >
                  <div className="flex flex-row items-end gap-3 sm:flex-col sm:items-start">
                    <p className="font-semibold tabular-nums">
                      {sayTime(begin, phase.from)}–{sayTime(begin, phase.to)}
                    </p>
                    <MinutesField
                      label={`Minutes of ${phase.title}`}
                      short="min"
                      value={phase.minutes}
                      disabled={!arranges}
                      onSave={(minutes) => set(call("sections.edit", { section: phase.id, minutes }))}
                    />
                  </div>
                  <div className="flex min-w-0 flex-col gap-3">
                    <h2 className="text-lg font-semibold break-words">{phase.title}</h2>
                    <div className="grid gap-x-5 gap-y-3 sm:grid-cols-2">
                      <SavedText
                        lines
                        label="What you do"
                        value={phase.teacher}
                        maxLength={8_000}
                        readOnly={!arranges}
                        onSave={saving(phase.id, "teacher")}
                      />
                      <SavedText
                        lines
                        label="What learners do"
                        value={phase.learners}
                        maxLength={8_000}
                        readOnly={!arranges}
                        onSave={saving(phase.id, "learners")}
                      />
                    </div>
                    <div className="text-[15px]">
                      <p className="text-sm font-semibold">Material</p>
                      {phase.items.length === 0 ? (
                        <p className="text-quiet">Nothing stands here yet; it is brought in on the Bench.</p>
                      ) : (
                        <ul>
                          {phase.items.map((item) => (
                            <li key={item.id} className="break-words">
                              {item.title}
                              {item.minutes ? (
                                <span className="text-quiet"> · {item.minutes} min</span>
                              ) : null}
                              {!item.forReaders && <span className="text-quiet"> · yours alone</span>}
                            </li>
                          ))}
                        </ul>
                      )}
                      {arranges && (
                        <RecordWord
                          phase={phase.title}
                          where={{ team: team.id, collection: id, section: phase.id }}
                          onDone={() => void again()}
                        />
                      )}
                    </div>
                  </div>
                </li>
              ))}
            </ol>
          )}
          {arranges && (
            <Button
              className="w-fit"
              onClick={() => set(call("sections.make", { collection: id, title: "Another phase" }))}
            >
              Add a phase
            </Button>
          )}
        </div>
      </main>
    </Frame>
  );
}
