"use client";

import { useMemo, useState } from "react";
import type { Best } from "@/core/fit/best";
import { candidatesOf } from "@/core/fit/candidates";
import { type Candidate, holds, minutesOfAll, type Wishes } from "@/core/fit/choice";
import { sayMinutes } from "@/core/text/minutes";
import type { Answer } from "@/services/registry";
import { Choice } from "../../parts/field";
import { sayDone } from "../../shell/use-undo";
import { call } from "../../talk/call";
import { newId } from "../../talk/ids";
import { sayFailure } from "../../talk/say-failure";
import { Proposal } from "./proposal";
import { SECONDS, useChoices } from "./use-choices";

type Here = Answer<"load.read">;
type Props = { here: Here; team: string; onDone: () => void; again: () => void };

const OF_A_SITE = [
  ["", "as many as there are"],
  ["1", "1 at the most"],
  ["2", "2 at the most"],
  ["3", "3 at the most"],
] as const;
const PLAYING = [
  ["", "as much as there is"],
  ["67", "two thirds of the time at the most"],
  ["50", "half of the time at the most"],
  ["33", "a third of the time at the most"],
] as const;

/** What of a collection stays within the minutes there are: two ways to choose, one of which can be taken. */
export function MakeItFit({ here, team, onDone, again }: Props) {
  const { id, aimMinutes, aimLevel } = here.collection;
  const [ofASite, setOfASite] = useState("");
  const [playing, setPlaying] = useState("");
  const [keepsLevel, setKeepsLevel] = useState(true);
  const candidates = useMemo(() => candidatesOf(here.items, here.sections), [here]);
  const wishes = useMemo<Wishes>(
    () => ({
      minutes: aimMinutes!,
      ofASite: ofASite ? Number(ofASite) : null,
      playing: playing ? Number(playing) : null,
      level: keepsLevel ? aimLevel : null,
    }),
    [aimMinutes, aimLevel, ofASite, playing, keepsLevel],
  );
  const fits = holds(candidates, candidates, wishes);
  const choices = useChoices(fits ? null : candidates, wishes);
  const stays = candidates.filter((one) => one.stays);
  const take = (goes: readonly Candidate[]) =>
    void call("collections.fit", {
      ...{ collection: id, placements: goes.map((one) => one.id) },
      ...{ title: "If there is time", section: newId() },
    })
      .then(({ entry }) => {
        const said = goes.length === 1 ? "1 item is" : `${goes.length} items are`;
        sayDone(`${said} for whoever has time left.`, team, entry, again);
        onDone();
      })
      .catch(sayFailure);
  const first: Best | null =
    choices?.first ??
    (choices?.atOnce ? { chosen: choices.atOnce, proven: false, outcomesMore: 0, thingsMore: 0 } : null);
  const second = choices?.second?.chosen ? choices.second : null;
  const common = { here, candidates, wishes, onTake: take };
  return (
    <section aria-labelledby="fit" className="mt-4 rounded-lg border border-line bg-sunk px-4 py-4">
      <h2 id="fit" className="font-serif text-xl font-semibold">
        What can stay within {sayMinutes(aimMinutes!)}
      </h2>
      <p className="mt-1 max-w-prose text-[15px] text-quiet">
        What must stay does. Of the rest it is chosen so that as many outcomes are served as can be, and then
        that as much stays as can, the better judged first. The order remains.
      </p>
      <div className="mt-3 flex flex-wrap items-end gap-x-6 gap-y-3">
        <Choice
          label="Of one site"
          value={ofASite}
          options={OF_A_SITE}
          onChange={({ target }) => setOfASite(target.value)}
        />
        <Choice
          label="Films and sounds"
          value={playing}
          options={PLAYING}
          onChange={({ target }) => setPlaying(target.value)}
        />
        {aimLevel !== null && (
          <label className="flex h-10 items-center gap-2 text-[15px]">
            <input
              type="checkbox"
              className="size-4 accent-accent"
              checked={keepsLevel}
              onChange={({ target }) => setKeepsLevel(target.checked)}
            />
            no text harder than was said of it (LIX {aimLevel})
          </label>
        )}
      </div>
      <p role="status" className="mt-4 text-[15px]">
        {fits
          ? "It fits as it is: nothing has to go."
          : choices && howSure(choices, minutesOfAll(stays), wishes)}
      </p>
      {!fits && first?.chosen && (
        <div className="mt-3 grid items-start gap-4 md:grid-cols-2">
          <Proposal {...common} title="One way" chosen={first.chosen} />
          {second ? (
            <Proposal {...common} title="Another way" chosen={second.chosen!} beside={first.chosen} />
          ) : (
            choices?.first && (
              <p className="text-[15px] text-quiet">
                {choices.second
                  ? "There is no other way that differs by more than a little."
                  : "Another way that differs is being looked for …"}
              </p>
            )
          )}
        </div>
      )}
    </section>
  );
}

/** How good the first way is. */
function howSure(
  { atOnce, first, failed }: NonNullable<ReturnType<typeof useChoices>>,
  stays: number,
  wishes: Wishes,
): string {
  if (stays > wishes.minutes)
    return `What must stay takes ${sayMinutes(stays)}, more than the ${sayMinutes(wishes.minutes)} there are. Let some of it go, or give it more time.`;
  if (failed)
    return atOnce
      ? "This was found at once. A better one cannot be looked for in this browser."
      : "Nothing was found at once, and this browser cannot look further.";
  if (!first)
    return atOnce ? "This was found at once. A better one is being looked for …" : "It is being looked for …";
  if (!first.chosen)
    return first.proven
      ? "Nothing keeps to all of this at once. Wish for less, or let something go that must stay."
      : `In ${SECONDS} seconds nothing was found that keeps to all of this. Wish for less, or let something go that must stay.`;
  if (first.proven) return "The first of these is the best there is by what you wished.";
  const more = [
    ...(first.outcomesMore > 0 ? [`serve ${first.outcomesMore} outcomes more or more fully`] : []),
    ...(first.thingsMore > 0 ? [`keep ${first.thingsMore} more`] : []),
  ];
  return `Looked for in ${SECONDS} seconds. At the very most a better one could ${more.join(" and ") || "be a little better judged"}.`;
}
