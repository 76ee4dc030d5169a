"use client";

import { useQuery } from "@tanstack/react-query";
import { Button } from "../parts/button";
import { Day } from "../parts/day";
import { ask, call } from "../talk/call";
import { sayFailure } from "../talk/say-failure";
import { sayAgo } from "../talk/say-time";
import { toast } from "../talk/toast";

/** Where one is signed in; each can be ended, or all the others at once. */
export function SessionsPart() {
  const { data, refetch } = useQuery({ queryKey: ["sessions"], queryFn: () => ask("sessions.read", {}) });
  const end = (session: string | undefined, said: string) =>
    call("sessions.end", { session })
      .then(() => {
        void refetch();
        toast(said);
      })
      .catch(sayFailure);
  const all = data?.sessions ?? [];
  const others = all.filter((one) => !one.isThis);
  return (
    <>
      <ul className="flex min-h-10 flex-col">
        {all.map((one) => (
          <li key={one.id} className="flex flex-wrap items-center gap-x-3 border-b border-line py-1.5">
            <span className="font-semibold">{one.browser}</span>
            <span className="text-sm text-quiet">
              since <Day of={one.since} />, {one.isThis ? "here and now" : `used ${sayAgo(one.usedAt)}`}
            </span>
            {!one.isThis && (
              <Button
                small
                look="stop"
                className="ml-auto"
                aria-label={`End the session of ${one.browser}`}
                onClick={() => void end(one.id, "It is ended.")}
              >
                End
              </Button>
            )}
          </li>
        ))}
      </ul>
      {others.length > 1 && (
        <Button
          small
          className="self-start"
          onClick={() => void end(undefined, "You are signed in here, and nowhere else.")}
        >
          End all the others
        </Button>
      )}
    </>
  );
}
