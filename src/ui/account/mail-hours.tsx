"use client";

import { useState, useSyncExternalStore } from "react";
import type { MailHours } from "@/core/talk/mail-hours";
import { Choice } from "../parts/field";
import { callInTurn } from "../talk/call";
import { sayFailure } from "../talk/say-failure";

const HOURS = Array.from(
  { length: 24 },
  (_, hour) => [String(hour), `${String(hour).padStart(2, "0")}:00`] as const,
);
const NONE: string[] = [];
const ZONES = [...new Set(["UTC", ...Intl.supportedValuesOf("timeZone")])];

const subscribe = () => () => undefined;

/** In which time zone one is, and at which hours no letter is to come; each choice holds at once. */
export function MailHoursPart({ first }: { first: MailHours }) {
  const [hours, setHours] = useState(first);
  const set = (more: Partial<MailHours>) => {
    const before = hours;
    // Who chooses hours is in the zone of this browser until they say otherwise.
    const zone = more.zone ?? (hours.zone || Intl.DateTimeFormat().resolvedOptions().timeZone || "UTC");
    const next = { ...hours, ...more, zone };
    setHours(next);
    // One after the other: what is chosen last stands.
    callInTurn("notices.set-hours", next).catch((error: unknown) => {
      setHours(before);
      sayFailure(error);
    });
  };
  // Which zones there are browsers and servers know each for itself: they are offered once the page is alive.
  const known = useSyncExternalStore(
    subscribe,
    () => ZONES,
    () => NONE,
  );
  const zones = hours.zone && !known.includes(hours.zone) ? [hours.zone, ...known] : known;
  const isQuiet = hours.quietFrom !== null;
  return (
    <fieldset className="flex flex-col gap-4">
      <legend className="sr-only">When letters come</legend>
      <Choice
        label="Your time zone"
        options={[
          ["", "Not said: the daily letter comes at 5 by UTC"],
          ...zones.map((zone) => [zone, zone.replaceAll("_", " ")] as const),
        ]}
        value={hours.zone}
        onChange={({ target: { value } }) => value && set({ zone: value })}
        className="max-w-md"
      />
      <div className="flex max-w-md flex-wrap gap-4">
        <Choice
          label="No letters from"
          options={[["", "Letters at any hour"], ...HOURS]}
          value={hours.quietFrom === null ? "" : String(hours.quietFrom)}
          onChange={({ target: { value } }) =>
            set(
              value
                ? { quietFrom: Number(value), quietUntil: hours.quietUntil ?? (Number(value) + 12) % 24 }
                : { quietFrom: null, quietUntil: null },
            )
          }
          className="min-w-40 flex-1"
        />
        {isQuiet && (
          <Choice
            label="until"
            options={HOURS}
            value={String(hours.quietUntil)}
            onChange={({ target: { value } }) => set({ quietUntil: Number(value) })}
            className="min-w-40 flex-1"
          />
        )}
      </div>
    </fieldset>
  );
}
