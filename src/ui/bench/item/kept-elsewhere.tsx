"use client";

import { useQuery } from "@tanstack/react-query";
import { Button } from "../../parts/button";
import { useUnfolded } from "../../parts/use-unfolded";
import { ask } from "../../talk/call";

type Props = {
  resource: string;
  /** Takes an item of a public collection; without it nothing can be taken here. */
  onTake?: (from: string, item: string) => void;
};

/** In which public collections of others a page stands, with their words; and what stands beside it there. */
export function KeptElsewhere({ resource, onTake }: Props) {
  const [open, , unfolded] = useUnfolded();
  const { data } = useQuery({
    queryKey: ["keeping", resource],
    queryFn: () => ask("shelves.keeping", { resource }),
    enabled: open,
  });
  return (
    <details {...unfolded} className="text-[15px]">
      <summary className="text-sm font-semibold">Who else keeps this</summary>
      {data && (
        <>
          <p className="mt-1 text-quiet">{sayCount(data.count, data.more)}</p>
          <ul>
            {data.places.map((place) => (
              <li key={place.id} className="border-b border-line py-1.5 last:border-b-0">
                <a href={`/c/${place.code}`} className="text-accent underline">
                  {place.title}
                </a>
                <span className="text-sm text-quiet">
                  {" "}
                  · {[place.section, place.teamName].filter(Boolean).join(" · ")}
                </span>
                {place.heading && <span className="block font-semibold">{place.heading}</span>}
                {place.context && (
                  <span className="block font-serif whitespace-pre-line">{place.context}</span>
                )}
              </li>
            ))}
          </ul>
          {data.beside.length > 0 && (
            <>
              <h3 className="mt-3 text-sm font-semibold">Beside it there, more often than by chance</h3>
              <ul>
                {data.beside.map((one) => (
                  <li key={one.id} className="flex items-center gap-3 border-b border-line py-1.5">
                    <span className="min-w-0 flex-1">
                      <a href={one.address} rel="noreferrer" className="text-accent underline">
                        {one.title}
                      </a>
                      <span className="text-sm text-quiet"> · kept so by {one.teams} teams</span>
                    </span>
                    {onTake && (
                      <Button
                        small
                        aria-label={`Take ${one.title} with credit`}
                        onClick={() => onTake(one.from, one.id)}
                      >
                        Take
                      </Button>
                    )}
                  </li>
                ))}
              </ul>
            </>
          )}
        </>
      )}
    </details>
  );
}

function sayCount(count: number, more: boolean): string {
  if (!count) return "No other team has it in anything public.";
  return `It stands in ${more ? "at least " : ""}${count} public ${count === 1 ? "collection" : "collections"} of other teams.`;
}
