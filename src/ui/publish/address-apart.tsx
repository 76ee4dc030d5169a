"use client";

import { Button } from "../parts/button";
import { toast } from "../talk/toast";
import { useUnfolded } from "../parts/use-unfolded";

/** Giving it another address, which is more than it seems: what was printed with the old one stops working. */
export function AddressApart({
  isReplaced,
  onReplace,
  onTakeBack,
}: {
  isReplaced: boolean;
  onReplace: () => Promise<unknown>;
  onTakeBack: () => Promise<unknown>;
}) {
  const [open, setOpen, unfolded] = useUnfolded();
  return (
    <section aria-label="Another address" className="flex flex-col gap-2">
      {isReplaced && (
        <p className="flex flex-wrap items-center gap-x-3 gap-y-1 text-[15px] text-quiet">
          The address was replaced within the last day.
          <Button
            small
            onClick={() =>
              void onTakeBack().then((done) => done && toast("The old address leads here again."))
            }
          >
            Take the old one back
          </Button>
        </p>
      )}
      <details open={open} {...unfolded}>
        <summary className="w-fit cursor-pointer rounded-sm py-1 text-[15px] text-accent">
          Replace the address
        </summary>
        <p className="mt-1 text-[15px] text-quiet">
          The address you gave out stops working: the printed sheet, the link in a letter, the QR code on the
          wall. The short code goes on to the new one. For a day the old address can be taken back.
        </p>
        <Button
          small
          look="stop"
          className="mt-2"
          onClick={() =>
            void onReplace().then((done) => {
              if (!done) return;
              setOpen(false);
              toast("The new address holds; the old one has stopped working.");
            })
          }
        >
          Replace it
        </Button>
      </details>
    </section>
  );
}
