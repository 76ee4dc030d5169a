"use client";

import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Day } from "../../parts/day";
import { ask, call } from "../../talk/call";
import { newId } from "../../talk/ids";
import { sayFailure } from "../../talk/say-failure";
import { toast } from "../../talk/toast";

const STATES = {
  waiting: "They have it, and have not decided.",
  accepted: "They took it.",
  declined: "They left it.",
};

/** By which the own words at an item, or an item they lack, are offered to those it was taken from; and what became of it. */
export function GiveBack({ placement, teamName }: { placement: string; teamName: string }) {
  const { data, refetch } = useQuery({
    queryKey: ["given-back", placement],
    queryFn: () => ask("shelves.given", { placement }),
  });
  // Until it is taken it is the same one, however often it is sent.
  const [id, setId] = useState(newId);
  const give = () =>
    call("shelves.give-back", { placement, suggestion: id })
      .then(async () => {
        await refetch();
        setId(newId());
        toast(`${teamName} has it now as a suggestion of your team, and decides.`);
      })
      .catch(sayFailure);
  const given = data?.given;
  return (
    <p className="text-[15px] text-quiet">
      {given && (
        <>
          Given back on <Day of={given.createdAt} />: {STATES[given.state]}
          {given.word && <> “{given.word}”</>}{" "}
        </>
      )}
      <button type="button" className="min-h-6 text-accent hover:underline" onClick={() => void give()}>
        {given ? "Give it back as it is now" : `Give it back to ${teamName}`}
      </button>
    </p>
  );
}
