"use client";

import { useQuery, useQueryClient } from "@tanstack/react-query";
import dynamic from "next/dynamic";
import { useState } from "react";
import type { Answer } from "@/services/registry";
import { ask } from "../../talk/call";
import { useBench } from "../state/bench-context";

const OffersDialog = dynamic(() => import("../dialogs/offers-dialog").then((m) => m.OffersDialog), {
  ssr: false,
});

type Head = Answer<"collections.read">["collection"];
type Props = { collection: Pick<Head, "id" | "credits" | "guest"> };

/** So many are named; the others are counted. */
const NAMED = 3;

/** From where a collection, and what stands in it, was taken, and what has changed there since. */
export function CreditLines({ collection: { id, credits, guest } }: Props) {
  const { arranges } = useBench();
  const client = useQueryClient();
  const [looking, setLooking] = useState<string | null>(null);
  const { data } = useQuery({
    queryKey: ["credits", id],
    queryFn: () => ask("shelves.credits", { collection: id }),
    staleTime: 60_000,
    enabled: !guest,
  });
  const now = new Map(data?.credits.map((one) => [one.id, one]));
  const looked = looking && now.get(looking);
  const rest = credits.length - NAMED;
  return (
    <ul aria-label="From where it was taken" className="flex flex-col text-[15px] text-quiet">
      {credits.slice(0, NAMED).map((one) => {
        const count = now.get(one.id)?.offered.length ?? 0;
        return (
          <li key={one.id} className="flex flex-wrap items-center gap-x-3">
            <span className="min-w-0 break-words">
              {one.own ? "From " : "Some of it from "}
              <Named one={one} code={now.get(one.id)?.code} />
            </span>
            {arranges && count > 0 && (
              <button
                type="button"
                className="min-h-6 font-semibold text-accent hover:underline"
                onClick={() => setLooking(one.id)}
              >
                {count === 1 ? "1 change there" : `${count} changes there`}
              </button>
            )}
          </li>
        );
      })}
      {rest > 0 && <li>{rest === 1 ? "and from one more" : `and from ${rest} more`}</li>}
      {looked && (
        <OffersDialog
          collection={id}
          credit={looked}
          onDone={() => void client.invalidateQueries({ queryKey: ["credits", id] })}
          onClose={() => setLooking(null)}
        />
      )}
    </ul>
  );
}

/** @param code where it is read now; null: nowhere; undefined: that is not known yet */
function Named({ one, code }: { one: Head["credits"][number]; code: string | null | undefined }) {
  const name = `“${one.title}”`;
  return (
    <>
      {code === null ? (
        name
      ) : (
        <a href={`/c/${code ?? one.code}`} className="underline underline-offset-2 hover:text-ink">
          {name}
        </a>
      )}{" "}
      of {one.teamName}
      {one.edition !== null && `, edition ${one.edition}`}
      {code === null && ", which is public no more"}
    </>
  );
}
