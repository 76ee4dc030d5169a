"use client";

import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Button } from "../../parts/button";
import { ask, call } from "../../talk/call";
import { newId } from "../../talk/ids";
import { sayFailure } from "../../talk/say-failure";
import { toast } from "../../talk/toast";
import { useWorkshop } from "../bench-provider";

/** What came in the feeds one follows and would fit the open collection, and by which words; one press takes it. */
export function FittingFeeds({ takes }: { takes: boolean }) {
  const { id, head } = useWorkshop();
  const { team, guest } = head.collection;
  const [taken, setTaken] = useState<ReadonlySet<string>>(new Set());
  const { data } = useQuery({
    queryKey: ["fitting", id],
    queryFn: () => ask("follows.fitting", { collection: id }),
    enabled: !guest,
    staleTime: 60_000,
  });
  const items = (data?.items ?? []).filter((one) => !taken.has(one.id));
  if (!items.length) return null;
  const take = (one: (typeof items)[number]) =>
    call("capture.address", { team, address: one.address, collection: id, placement: newId(), again: true })
      .then(() => {
        setTaken((old) => new Set(old).add(one.id));
        toast(`It stands here now: ${one.title}`);
      })
      .catch(sayFailure);
  return (
    <>
      <h3 className="border-b border-line px-4 pt-4 pb-1.5 text-sm font-semibold text-quiet">
        In feeds you follow, and would fit
      </h3>
      <ul aria-label="In feeds you follow, and would fit">
        {items.map((one) => (
          <li key={one.id} className="flex items-start gap-3 border-b border-line px-4 py-2.5">
            <div className="min-w-0 flex-1">
              <a
                href={one.address}
                rel="noreferrer"
                target="_blank"
                className="clamp-2 leading-snug font-semibold underline-offset-2 hover:underline"
              >
                {one.title}
              </a>
              <p className="truncate text-sm text-quiet">
                {one.feedTitle} · {one.by.join(", ")}
              </p>
            </div>
            {takes && (
              <Button small aria-label={`Take: ${one.title}`} onClick={() => void take(one)}>
                Take
              </Button>
            )}
          </li>
        ))}
      </ul>
    </>
  );
}
