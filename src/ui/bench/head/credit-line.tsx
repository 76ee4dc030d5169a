"use client";

import { useQuery, useQueryClient } from "@tanstack/react-query";
import dynamic from "next/dynamic";
import { useState } from "react";
import { ask } from "../../talk/call";
import { useBench } from "../state/bench-context";

const OffersDialog = dynamic(() => import("../dialogs/offers-dialog").then((m) => m.OffersDialog), {
  ssr: false,
});

type Props = { collection: string; credit: { title: string; teamName: string } };

/** From where a collection was taken, and what has changed there since. */
export function CreditLine({ collection, credit }: Props) {
  const { arranges } = useBench();
  const client = useQueryClient();
  const [looking, setLooking] = useState(false);
  const { data } = useQuery({
    queryKey: ["credit", collection],
    queryFn: () => ask("shelves.credit", { collection }),
    staleTime: 60_000,
  });
  const code = data?.credit?.code;
  const count = data?.offered.length ?? 0;
  const name = `“${credit.title}”`;
  return (
    <p className="flex flex-wrap items-center gap-x-3 text-[15px] text-quiet">
      <span className="min-w-0 break-words">
        From{" "}
        {code ? (
          <a href={`/c/${code}`} className="underline underline-offset-2 hover:text-ink">
            {name}
          </a>
        ) : (
          name
        )}{" "}
        of {credit.teamName}
        {data?.credit && !code && ", which is public no more"}
      </span>
      {arranges && count > 0 && (
        <button
          type="button"
          className="min-h-6 font-semibold text-accent hover:underline"
          onClick={() => setLooking(true)}
        >
          {count === 1 ? "1 change there" : `${count} changes there`}
        </button>
      )}
      {looking && (
        <OffersDialog
          collection={collection}
          offered={data?.offered ?? []}
          from={credit}
          onDone={() => void client.invalidateQueries({ queryKey: ["credit", collection] })}
          onClose={() => setLooking(false)}
        />
      )}
    </p>
  );
}
