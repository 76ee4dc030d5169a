"use client";

import { useQuery } from "@tanstack/react-query";
import { Button } from "../parts/button";
import { Day } from "../parts/day";
import { ask, call } from "../talk/call";
import { sayFailure } from "../talk/say-failure";
import { toast } from "../talk/toast";

/** What readers said of a collection that helped them. */
export function ReadersSaid({ collection, puts }: { collection: string; puts: boolean }) {
  const { data, refetch } = useQuery({
    queryKey: ["thanks", collection],
    queryFn: () => ask("thanks.read", { collection }),
  });
  const put = (thanks: string, away: boolean): Promise<unknown> =>
    call("thanks.put-away", { thanks, away })
      .then(() => {
        void refetch();
        if (away)
          toast("It is put away.", {
            action: { label: "Have it back", onClick: () => void put(thanks, false) },
          });
      })
      .catch(sayFailure);
  if (!data?.thanks.length) return null;
  return (
    <section aria-labelledby="readers-said">
      <h2 id="readers-said" className="text-sm font-semibold">
        It helped
      </h2>
      <ul>
        {data.thanks.map((one) => (
          <li key={one.id} className="flex items-start gap-3 border-b border-line py-2">
            <div className="min-w-0 flex-1">
              {one.words && <p className="font-serif break-words">{one.words}</p>}
              <p className="text-sm break-words text-quiet">
                {one.name || "A reader"}
                {!one.words && ": it helped"}, <Day of={one.createdAt} />
              </p>
            </div>
            {puts && (
              <Button
                small
                look="quiet"
                aria-label={`Put away what ${one.name || "a reader"} said`}
                onClick={() => void put(one.id, true)}
              >
                Put away
              </Button>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}
