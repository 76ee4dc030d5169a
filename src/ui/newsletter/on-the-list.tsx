"use client";

import { useQuery, useQueryClient } from "@tanstack/react-query";
import { X } from "lucide-react";
import type { Answer } from "@/services/registry";
import { Button, IconButton } from "../parts/button";
import { ask, call } from "../talk/call";
import { copyText } from "../talk/copy-text";
import { sayFailure } from "../talk/say-failure";
import type { NewsletterState } from "./use-newsletter";
import { useUnfolded } from "../parts/use-unfolded";

/** How many get it, where others ask for it, and, for those who send it, their addresses. */
export function OnTheList({
  collection,
  link,
  readers: { confirmed, waiting },
  publishes,
  onChanged,
}: {
  collection: string;
  link: string | null;
  readers: NewsletterState["readers"];
  publishes: boolean;
  onChanged: () => Promise<void>;
}) {
  const [open, , unfolded] = useUnfolded();
  const client = useQueryClient();
  const key = ["newsletter-readers", collection, confirmed, waiting];
  const all = useQuery({
    queryKey: key,
    queryFn: () => ask("newsletters.readers", { collection }),
    enabled: open && publishes,
  }).data as Answer<"newsletters.readers"> | undefined;
  const drop = (address: string) =>
    call("newsletters.drop", { collection, address })
      .then(onChanged)
      .then(() => client.invalidateQueries({ queryKey: key }))
      .catch(sayFailure);
  return (
    <section aria-label="On the list" className="flex flex-col gap-2 text-[15px]">
      <h2 className="text-base font-semibold">On the list</h2>
      <p>
        {confirmed === 0 ? "Nobody yet" : confirmed === 1 ? "1 reader" : `${confirmed} readers`}
        {waiting > 0 && <span className="text-quiet">, {waiting} asked and not confirmed yet</span>}
      </p>
      {link && (
        <p className="flex flex-wrap items-center gap-x-3 gap-y-1">
          <span className="text-quiet">They put themselves on it.</span>
          <Button small onClick={() => void copyText(`${link}/join`, "The address to ask for it is copied.")}>
            Copy where they do
          </Button>
        </p>
      )}
      {publishes && confirmed + waiting > 0 && (
        <details open={open} {...unfolded}>
          <summary className="w-fit cursor-pointer rounded-sm py-1 text-accent">Their addresses</summary>
          <ul className="mt-1 max-h-72 overflow-y-auto rounded-md border border-line px-3 scrolls">
            {all?.readers.map((one) => (
              <li
                key={one.address}
                className="flex items-center gap-2 border-b border-line py-0.5 last:border-b-0"
              >
                <span className="min-w-0 flex-1 break-words">
                  {one.address}
                  {one.state === "waiting" && <span className="text-sm text-quiet"> not confirmed</span>}
                </span>
                <IconButton label={`Take ${one.address} off the list`} onClick={() => void drop(one.address)}>
                  <X size={16} aria-hidden />
                </IconButton>
              </li>
            ))}
          </ul>
        </details>
      )}
    </section>
  );
}
