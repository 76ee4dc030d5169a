"use client";

import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Button } from "../../parts/button";
import { Dialog } from "../../parts/dialog";
import { sayDone } from "../../shell/use-undo";
import { ask, call } from "../../talk/call";
import { sayFailure } from "../../talk/say-failure";
import { sayAgo } from "../../talk/say-time";
import { useBench } from "../state/bench-context";

/** Which of one's public collections a portfolio shows. */
export function PublicCollections({ onClose }: { onClose: () => void }) {
  const { team, collection } = useBench();
  const client = useQueryClient();
  const [chosen, setChosen] = useState<readonly string[]>([]);
  const [busy, setBusy] = useState(false);
  const { data } = useQuery({
    queryKey: ["portfolio", collection],
    queryFn: () => ask("portfolios.read", { collection }),
  });
  const all = data?.collections;
  const toggle = (id: string) =>
    setChosen(chosen.includes(id) ? chosen.filter((one) => one !== id) : [...chosen, id]);
  const putIn = () => {
    setBusy(true);
    const again = () => {
      for (const key of ["items", "collection", "portfolio"])
        void client.invalidateQueries({ queryKey: [key, collection] });
    };
    call("portfolios.add", { collection, chosen: [...chosen] })
      .then(({ items, entry }) => {
        again();
        sayDone(`${items.length} put in. Say why each stands here.`, team, entry, again);
        onClose();
      })
      .catch((error: unknown) => {
        setBusy(false);
        sayFailure(error);
      });
  };
  return (
    <Dialog
      open
      onOpenChange={(on) => !on && onClose()}
      title="Public collections"
      about="Readers see each as it is at the time; one that is public no longer is not shown to them."
    >
      {all?.length === 0 && (
        <p className="text-[15px] text-quiet">
          None of your teams has a public collection yet. Open one, press Publish and choose Public; then it
          can stand here.
        </p>
      )}
      {all && all.length > 0 && (
        <ul className="max-h-[50vh] overflow-y-auto rounded-md border border-line px-3 py-1 scrolls">
          {all.map((one) => (
            <li key={one.id}>
              <label
                className={`flex min-h-11 items-start gap-2.5 py-2 ${one.isIn ? "text-quiet" : "cursor-pointer"}`}
              >
                <input
                  type="checkbox"
                  className="mt-0.5 size-5 shrink-0 accent-accent"
                  checked={one.isIn || chosen.includes(one.id)}
                  disabled={one.isIn || busy}
                  onChange={() => toggle(one.id)}
                />
                <span className="min-w-0 text-[15px] break-words">
                  {one.title}
                  <span className="block text-sm text-quiet">
                    {one.teamName} · {one.isIn ? "stands here already" : `changed ${sayAgo(one.updatedAt)}`}
                  </span>
                </span>
              </label>
            </li>
          ))}
        </ul>
      )}
      {all && all.length > 0 && (
        <Button look="accent" className="self-start" disabled={!chosen.length || busy} onClick={putIn}>
          {chosen.length > 1 ? `Put in ${chosen.length} collections` : "Put it in"}
        </Button>
      )}
    </Dialog>
  );
}
