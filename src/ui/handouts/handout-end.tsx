"use client";

import { call } from "../talk/call";
import { sayFailure } from "../talk/say-failure";
import { dayOf, endOf } from "../publish/use-publish";

/** Until when it is worked in; afterwards it is only read. */
export function HandoutEnd({
  handout,
  again,
}: {
  handout: { id: string; until: string | Date | null };
  again: () => void;
}) {
  return (
    <label className="flex flex-wrap items-center gap-x-3 gap-y-1 text-[15px] text-quiet">
      To be worked in until
      <input
        type="date"
        value={dayOf(handout.until)}
        onChange={(event) =>
          void call("handouts.edit", { handout: handout.id, until: endOf(event.target.value) })
            .then(again)
            .catch(sayFailure)
        }
        className="h-9 w-40 rounded-md border border-edge bg-sheet px-2.5 text-ink"
      />
      {handout.until ? "afterwards it is only read." : "no end is set."}
    </label>
  );
}
