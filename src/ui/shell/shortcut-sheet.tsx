"use client";

import { groupBy } from "@/core/list/group-by";
import { Dialog } from "../parts/dialog";
import { Key } from "../parts/key";
import { KEYS } from "./commands";

/** All keys, by where they act. */
export function ShortcutSheet({
  open,
  onOpenChange,
}: {
  open: boolean;
  onOpenChange: (open: boolean) => void;
}) {
  const groups = groupBy(Object.values(KEYS), (key) => key.where);
  return (
    <Dialog open={open} onOpenChange={onOpenChange} title="Keys" wide>
      <div className="grid gap-x-8 gap-y-5 sm:grid-cols-2">
        {[...groups].map(([where, keys]) => (
          <section key={where}>
            <h3 className="border-b border-line pb-1 text-sm font-semibold text-quiet">{where}</h3>
            <dl className="mt-2 grid grid-cols-[1fr_auto] gap-x-3 gap-y-1.5 text-[15px]">
              {keys.map(({ keys: key, words }) => (
                <div key={key} className="contents">
                  <dt>{words}</dt>
                  <dd className="text-right">
                    <Key>{key}</Key>
                  </dd>
                </div>
              ))}
            </dl>
          </section>
        ))}
      </div>
    </Dialog>
  );
}
