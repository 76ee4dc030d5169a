"use client";

import { Dialog } from "../parts/dialog";
import { SaveAs } from "./save-as";

/** A collection, or some of its items, to be saved as a file. */
export function SaveAsDialog({
  count,
  onClose,
  ...what
}: {
  team: string;
  collection: string;
  ids?: readonly string[];
  /** What it is, in words. */
  count: string;
  onClose: () => void;
}) {
  return (
    <Dialog open onOpenChange={(on) => !on && onClose()} title={`Save ${count} as a file`}>
      <SaveAs {...what} />
    </Dialog>
  );
}
