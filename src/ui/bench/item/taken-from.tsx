"use client";

import { sayFrom } from "@/core/shelves/from";
import { useWorkshop } from "../bench-provider";
import { useBench } from "../state/bench-context";
import { GiveBack } from "./give-back";

/**
 * From where an item was taken with credit; it stays with it, wherever it moves. What one has made of it, and what one has
 * besides in a collection that was taken, can be given back.
 */
export function TakenFrom({ credit, placement }: { credit: string | null; placement: string }) {
  const { head } = useWorkshop();
  const { arranges } = useBench();
  const { credits, guest } = head.collection;
  const from = credits.find((one) => one.id === credit);
  const lender = from ?? credits.find((one) => one.own);
  if (!lender) return null;
  return (
    <div>
      {from && (
        <p className="text-[15px] text-quiet">
          <a href={`/c/${from.code}`} className="underline underline-offset-2 hover:text-ink">
            {sayFrom(from)}
          </a>
        </p>
      )}
      {arranges && !guest && <GiveBack placement={placement} teamName={lender.teamName} />}
    </div>
  );
}
