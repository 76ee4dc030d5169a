"use client";

import { useQuery, useQueryClient } from "@tanstack/react-query";
import { Button } from "../parts/button";
import { sayDone } from "../shell/use-undo";
import { ask, call } from "../talk/call";
import { sayFailure } from "../talk/say-failure";

/** Says that something made up to try things on is here, and lets it go away with one press. */
export function SampleLine({ team, onGone }: { team: string; onGone: () => void }) {
  const client = useQueryClient();
  const sample = useQuery({ queryKey: ["sample", team], queryFn: () => ask("samples.read", { team }) });
  if (!sample.data?.collections.length) return null;
  const again = () => {
    void client.invalidateQueries({ queryKey: ["sample", team] });
    onGone();
  };
  const away = () =>
    void call("samples.remove", { team, ...sample.data })
      .then(({ entry }) => {
        again();
        sayDone("The collection to try is gone.", team, entry, again);
      })
      .catch(sayFailure);
  return (
    <p className="mb-3 flex flex-wrap items-center gap-x-3 gap-y-1 text-[15px] text-quiet">
      The walk on the moss is made up, to try things on.
      <Button small onClick={away}>
        Let it go
      </Button>
    </p>
  );
}
