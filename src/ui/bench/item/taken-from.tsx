"use client";

import { sayFrom } from "@/core/shelves/from";
import { useWorkshop } from "../bench-provider";

/** From where an item was taken with credit; it stays with it, wherever it moves. */
export function TakenFrom({ credit }: { credit: string }) {
  const { head } = useWorkshop();
  const from = head.collection.credits.find((one) => one.id === credit);
  return (
    from && (
      <p className="text-[15px] text-quiet">
        <a href={`/c/${from.code}`} className="underline underline-offset-2 hover:text-ink">
          {sayFrom(from)}
        </a>
      </p>
    )
  );
}
