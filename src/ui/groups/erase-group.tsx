"use client";

import { useState } from "react";
import { Button } from "../parts/button";
import { Dialog } from "../parts/dialog";
import { call } from "../talk/call";
import { sayFailure } from "../talk/say-failure";

type Props = {
  group: { id: string; title: string };
  /** How many are in it. */
  learners: number;
  onErased: () => void;
  onClose: () => void;
};

/** Asks before a group is erased for good: it is the one thing here that nobody takes back. */
export function EraseGroup({ group, learners, onErased, onClose }: Props) {
  const [busy, setBusy] = useState(false);
  const erase = () => {
    setBusy(true);
    call("groups.erase", { group: group.id })
      .then(onErased)
      .catch((failure: unknown) => (setBusy(false), sayFailure(failure)));
  };
  return (
    <Dialog open onOpenChange={(on) => !on && onClose()} title={`Erase “${group.title}” for good?`}>
      <p>
        {learners === 1 ? "The name in it goes" : `The ${learners} names in it go`} now, with the cards, what
        they wrote, answered and found, and what is told of them. It cannot be taken back. What was collected
        into a collection stays there.
      </p>
      <div className="flex justify-end gap-2">
        <Button look="quiet" onClick={onClose}>
          Keep it
        </Button>
        <Button look="stop" disabled={busy} onClick={erase}>
          Erase it for good
        </Button>
      </div>
    </Dialog>
  );
}
