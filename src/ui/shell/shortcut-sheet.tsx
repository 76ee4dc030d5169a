"use client";

import { groupBy } from "@/core/list/group-by";
import { Dialog } from "../parts/dialog";
import { Key } from "../parts/key";
import { KEYS } from "./commands";
import { EXPLAINED } from "./explained-keys";

/** All keys, by where they act. */
export function ShortcutSheet({
  open,
  onOpenChange,
}: {
  open: boolean;
  onOpenChange: (open: boolean) => void;
}) {
  const groups = groupBy(Object.keys(KEYS) as (keyof typeof KEYS)[], (name) => EXPLAINED[name].where);
  return (
    <Dialog open={open} onOpenChange={onOpenChange} title="Keys" wide>
      <div className="grid gap-x-8 gap-y-5 sm:grid-cols-2">
        {[...groups].map(([where, names]) => (
          <section key={where}>
            <h3 className="border-b border-line pb-1 text-sm font-semibold text-quiet">{where}</h3>
            <dl className="mt-2 grid grid-cols-[1fr_auto] gap-x-3 gap-y-1.5 text-[15px]">
              {names.map((name) => (
                <div key={name} className="contents">
                  <dt>{EXPLAINED[name].words}</dt>
                  <dd className="text-right">
                    <Key>{KEYS[name]}</Key>
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
