"use client";

import type { Answer } from "@/services/registry";
import { Button } from "../parts/button";
import { SavedText } from "../parts/saved-text";
import { Crumb } from "../shell/crumb";
import { Frame, type Me, type TeamRow } from "../shell/frame";
import { SheetParts } from "../sheets/sheet-parts";
import { ask, call } from "../talk/call";
import { deliver } from "../talk/deliver";
import { useLiveAnswer } from "../talk/use-live-answer";
import { sayFailure } from "../talk/say-failure";
import { STAGE_WORDS } from "./stage-words";

type Shown = Answer<"handouts.look-into">;
type Props = {
  me: Me;
  teams: TeamRow[];
  team: TeamRow;
  handout: { id: string; title: string; writes: boolean };
  first: Shown;
};

/** What one of the group did with a handout, as they see it themselves, to be looked at and read only. */
export function LookedInto({ me, teams, team, handout, first }: Props) {
  const asked = { handout: handout.id, learner: first.learner.id };
  const [{ learner, stage, parts, remark }, again] = useLiveAnswer(
    team.id,
    ["looked-into", asked.handout, asked.learner],
    () => ask("handouts.look-into", asked),
    first,
    "groups",
  );
  const say = (text: string, base: string[]) =>
    deliver(
      "handouts.remark",
      { ...asked, remark: text, base: { remark: base } },
      `sheet:${asked.handout}:${asked.learner}`,
      text,
    );
  return (
    <Frame me={me} teams={teams} team={team}>
      <main id="main" className="min-h-0 flex-1 overflow-y-auto px-4 pb-16">
        <div className="mx-auto flex max-w-2xl flex-col gap-6 pt-6">
          <header className="flex flex-wrap items-end gap-3 border-b border-line pb-4">
            <div className="min-w-0 flex-1">
              <Crumb href={`/team/${team.id}/handouts/${handout.id}`}>{handout.title}</Crumb>
              <h1 className="font-serif text-3xl font-semibold break-words">{learner.name}</h1>
              <p className="mt-1 text-[15px] text-quiet">{STAGE_WORDS[stage]}</p>
            </div>
            {stage !== "unopened" && stage !== "looked-at" && (
              <Button
                look="accent"
                onClick={() => void call("handouts.looked", asked).then(again).catch(sayFailure)}
              >
                I have looked at it
              </Button>
            )}
          </header>
          {stage !== "unopened" && (
            <SavedText
              lines
              label={`Something to say to ${learner.name}`}
              hint="It stands at the head of their page. Saved as you type."
              placeholder="What is good, what is missing"
              inputClass="font-serif text-[17px]"
              value={remark}
              maxLength={4_000}
              onSave={say}
            />
          )}
          <SheetParts parts={parts} />
        </div>
      </main>
    </Frame>
  );
}
