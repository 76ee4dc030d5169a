"use client";

import { Button } from "../parts/button";
import { call } from "../talk/call";
import { sayFailure } from "../talk/say-failure";
import type { Shown } from "./shown";

type Props = { team: string; blocked: Shown["blocked"]; again: () => void };

/** Of which teams nothing is taken that they give back. */
export function Blocked({ team, blocked, again }: Props) {
  if (!blocked.length) return null;
  return (
    <section aria-label="Nothing is taken from">
      <h2 className="border-b border-line pb-1 text-sm font-semibold">Nothing is taken from</h2>
      <ul>
        {blocked.map(({ other, name }) => (
          <li key={other} className="flex items-center gap-4 border-b border-line py-1.5">
            <span className="min-w-0 flex-1 break-words">{name}</span>
            <Button
              small
              look="quiet"
              aria-label={`Take again from ${name}`}
              onClick={() => void call("suggestions.unblock", { team, other }).then(again).catch(sayFailure)}
            >
              Take again
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
}
