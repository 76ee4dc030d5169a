"use client";

import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useRouter } from "next/navigation";
import type { Answer } from "@/services/registry";
import { Button } from "../parts/button";
import { Link } from "../parts/link";
import { ask, call } from "../talk/call";
import { sayFailure } from "../talk/say-failure";
import { sayAgo } from "../talk/say-time";
import { leaveOut, RuleHit } from "./rule-hit";
import { sayCounts, sayState, sayUnless } from "./say-rule";
import { useUnfolded } from "../parts/use-unfolded";

type Rule = Answer<"rules.read">["rules"][number];

/** What a rule did, with the way to say that it was wrong; what it leaves out since. */
export function WhatItDid({ rule, arranges, brings }: { rule: Rule; arranges: boolean; brings: boolean }) {
  const [isOpen, , unfolded] = useUnfolded();
  const router = useRouter();
  const client = useQueryClient();
  const key = ["rule-did", rule.id];
  const { data } = useQuery({
    queryKey: key,
    queryFn: () => ask("rules.did", { rule: rule.id }),
    enabled: isOpen,
  });
  const again = () => {
    void client.invalidateQueries({ queryKey: key });
    router.refresh();
  };
  const counts = sayCounts(rule);
  return (
    <>
      {rule.unless.length > 0 && (
        <ul aria-label="Left out" className="mt-1 flex flex-wrap gap-x-4 text-[15px] text-quiet">
          {rule.unless.map((one) => (
            <li key={sayUnless(one)}>
              Not what is {sayUnless(one)}
              {arranges && (
                <Button
                  small
                  look="quiet"
                  aria-label={`No longer leave out what is ${sayUnless(one)}`}
                  onClick={() =>
                    void call("rules.except", { rule: rule.id, ...one, out: false })
                      .then(again)
                      .catch(sayFailure)
                  }
                >
                  Let in again
                </Button>
              )}
            </li>
          ))}
        </ul>
      )}
      {counts && (
        <details className="mt-1 text-[15px]" {...unfolded}>
          <summary className="w-fit text-quiet hover:text-ink">What it did: {counts}</summary>
          {data?.leaveOut.map((one) => (
            <p key={one.host} className="mt-2 rounded-md bg-warn-wash px-3 py-2">
              {one.wrong} of {one.wrong + one.right} from {one.host} were wrong.{" "}
              {arranges && (
                <Button
                  small
                  look="quiet"
                  onClick={() => void leaveOut(rule.id, { host: one.host }, again).catch(sayFailure)}
                >
                  Leave that site out
                </Button>
              )}
            </p>
          ))}
          <ul className="mt-1">
            {data?.hits.map((hit) => (
              <li key={hit.id} className="flex flex-wrap items-center gap-x-3 py-1">
                <Link href={`/read/${hit.resource}`} className="min-w-40 flex-1 truncate hover:underline">
                  {hit.title}
                </Link>
                <span className="text-quiet">
                  {sayState(hit.state)}, {sayAgo(hit.createdAt)}
                </span>
                {brings && (
                  <RuleHit
                    hit={hit}
                    resource={hit.resource}
                    rule={rule.id}
                    arranges={arranges}
                    onDone={again}
                  />
                )}
              </li>
            ))}
          </ul>
        </details>
      )}
    </>
  );
}
