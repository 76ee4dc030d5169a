"use client";

import { usePathname } from "next/navigation";
import { groupBy } from "@/core/list/group-by";
import { Dialog } from "../parts/dialog";
import { Key } from "../parts/key";
import { KEYS } from "./commands";
import { EXPLAINED, keysAt } from "./explained-keys";

/** All keys, by where they act; those of the screen one is on come first. */
export function ShortcutSheet({
  open,
  onOpenChange,
}: {
  open: boolean;
  onOpenChange: (open: boolean) => void;
}) {
  const { here, elsewhere } = keysAt(usePathname());
  return (
    <Dialog open={open} onOpenChange={onOpenChange} title="Keys on this screen" wide>
      <Groups names={here} />
      <details className="mt-5">
        <summary className="w-fit cursor-pointer rounded-sm py-1 text-[15px] text-accent">
          Keys that act elsewhere
        </summary>
        <div className="mt-3">
          <Groups names={elsewhere} />
        </div>
      </details>
    </Dialog>
  );
}

function Groups({ names }: { names: (keyof typeof KEYS)[] }) {
  return (
    <div className="gap-x-8 sm:columns-2">
      {[...groupBy(names, (name) => EXPLAINED[name].where)].map(([where, those]) => (
        <section key={where} className="mb-5 break-inside-avoid">
          <h3 className="border-b border-line pb-1 text-sm font-semibold text-quiet">{where}</h3>
          <dl className="mt-2 grid grid-cols-[1fr_auto] gap-x-3 gap-y-1.5 text-[15px]">
            {those.map((name) => (
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
  );
}
