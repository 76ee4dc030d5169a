"use client";

import { useState } from "react";
import { Button } from "../parts/button";
import { Dialog } from "../parts/dialog";
import { sayFailure } from "../talk/say-failure";
import { WithName } from "./with-name";

type Props = {
  /** What is left: a team, or a collection one is a guest of. */
  title: string;
  leave: (how: { nameless: boolean }) => Promise<unknown>;
  onClose: () => void;
};

/** Asks somebody who leaves whether what they made keeps their name. */
export function Leave({ title, leave, onClose }: Props) {
  const [withName, setWithName] = useState(true);
  const [busy, setBusy] = useState(false);
  const go = () => {
    setBusy(true);
    leave({ nameless: !withName })
      .then(() => window.location.assign("/"))
      .catch((failure: unknown) => (setBusy(false), sayFailure(failure)));
  };
  return (
    <Dialog
      open
      onOpenChange={(on) => !on && onClose()}
      title={`Leave “${title}”?`}
      about="You no longer see it. To come back you need an invitation."
    >
      <WithName
        withName={withName}
        onChange={setWithName}
        without="Nothing there says any more who made it; what only you saw there goes. It cannot be taken back."
      />
      <div className="flex justify-end gap-2">
        <Button look="quiet" onClick={onClose}>
          Stay
        </Button>
        <Button look="stop" disabled={busy} onClick={go}>
          Leave
        </Button>
      </div>
    </Dialog>
  );
}
