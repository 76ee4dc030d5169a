"use client";

import { may } from "@/core/policy/abilities";
import { Destination, type Goal } from "../bench/dialogs/destination";
import { Dialog } from "../parts/dialog";
import type { TeamRow } from "../shell/who";

/** Where things go that wait; of a single one it is asked why it stands there. */
export function PlaceDialog({
  team,
  titles,
  onPick,
  onClose,
}: {
  team: TeamRow;
  titles: readonly string[];
  onPick: (to: Goal, words?: string) => void;
  onClose: () => void;
}) {
  return (
    <Dialog
      open
      onOpenChange={(on) => !on && onClose()}
      title={titles.length === 1 ? `Place “${titles[0]}”` : `Place ${titles.length} items`}
    >
      <Destination
        team={team.id}
        makes={may(team.role, "arrange")}
        words={titles.length === 1 ? "" : undefined}
        onPick={onPick}
      />
    </Dialog>
  );
}
