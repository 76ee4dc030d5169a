"use client";

import { useState } from "react";
import { countOfKind } from "@/core/look/kind-words";
import { OLD_DAYS } from "@/core/tray/states";
import { sayMinutes } from "@/core/text/minutes";
import type { Answer } from "@/services/registry";
import { Button, buttonLook } from "../parts/button";
import { Key } from "../parts/key";
import { Link } from "../parts/link";
import { KEYS } from "../shell/commands";
import { sayDone } from "../shell/use-undo";
import { ask, call } from "../talk/call";
import { sayFailure } from "../talk/say-failure";
import { saySince } from "../talk/say-time";

type Props = {
  team: string;
  tray: Answer<"tray.read">;
  onOneByOne: () => void;
  again: () => void;
};

/** How much waits, and what can be done about it. */
export function TrayHead({ team, tray, onOneByOne, again }: Props) {
  const { count, minutes, oldest, kinds, week, old } = tray;
  const parts = kinds
    .toSorted((a, b) => b.count - a.count)
    .map((one) => `${countOfKind(one.kind, one.count)}${one.minutes ? `, ${sayMinutes(one.minutes)}` : ""}`);
  return (
    <div className="flex flex-col gap-2 border-b border-line px-4 py-3">
      <p className="text-[15px]">
        {minutes > 0 && <b className="font-semibold">{sayMinutes(minutes)} </b>}
        <span className="text-quiet">
          {[
            parts.join(" · "),
            oldest && saySince(oldest) && `oldest ${saySince(oldest)}`,
            (week.came > 0 || week.left > 0) && `${week.came} a week come in, ${week.left} go out`,
          ]
            .filter(Boolean)
            .join(" · ")}
        </span>
      </p>
      {count > 0 && (
        <div className="flex flex-wrap items-center gap-2">
          <Button small look="accent" onClick={onOneByOne}>
            One by one <Key>{KEYS.oneByOne}</Key>
          </Button>
          <WhatFits team={team} tray={tray} />
          {old > 0 && (
            <Button
              small
              look="quiet"
              onClick={() =>
                void call("tray.put-away-old", { team, days: OLD_DAYS })
                  .then(({ changed, entry }) => {
                    again();
                    sayDone(`Put away ${changed}. In the catalogue they stay.`, team, entry, again);
                  })
                  .catch(sayFailure)
              }
            >
              Put away {old} older than {OLD_DAYS} days
            </Button>
          )}
        </div>
      )}
    </div>
  );
}

/** "I have 20 minutes": what of it fits, to be read one after the other. */
function WhatFits({ team, tray }: Pick<Props, "team" | "tray">) {
  const [minutes, setMinutes] = useState("20");
  const [found, setFound] = useState<{ resources: string[]; minutes: number } | null>(null);
  const titles = new Map(tray.entries.map((one) => [one.resource.id, one.resource]));
  const [first, ...then] = found?.resources ?? [];
  return (
    <>
      <form
        className="flex items-center gap-1.5 text-[15px]"
        onSubmit={(event) => {
          event.preventDefault();
          ask("tray.fits", { team, minutes: Math.min(600, Math.max(1, Math.round(Number(minutes) || 0))) })
            .then(setFound)
            .catch(sayFailure);
        }}
      >
        <label htmlFor="minutes" className="text-quiet">
          I have
        </label>
        <input
          id="minutes"
          inputMode="numeric"
          value={minutes}
          onChange={(event) => setMinutes(event.target.value)}
          className="h-8 w-14 rounded-md border border-edge bg-sheet px-2 text-right"
        />
        <span className="text-quiet">minutes</span>
        <Button small type="submit">
          What fits?
        </Button>
      </form>
      {found && (
        <div role="status" className="w-full rounded-md bg-wash px-3 py-2 text-[15px]">
          {first ? (
            <>
              <p className="font-semibold">
                {found.resources.length} in {sayMinutes(found.minutes)}
              </p>
              <ol className="my-1 list-decimal pl-5">
                {found.resources.map((id) => (
                  <li key={id}>
                    {titles.get(id)?.title ?? "One that has waited longer"}{" "}
                    <span className="text-sm text-quiet">{sayMinutes(titles.get(id)?.minutes ?? 0)}</span>
                  </li>
                ))}
              </ol>
              <Link
                className={buttonLook("accent", true)}
                href={`/read/${first}${then.length ? `?then=${then.slice(0, 40).join(",")}` : ""}`}
              >
                Read them
              </Link>
            </>
          ) : (
            "Nothing that waits is so short."
          )}
        </div>
      )}
    </>
  );
}
