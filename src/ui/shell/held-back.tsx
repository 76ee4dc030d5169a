"use client";

import { useState } from "react";
import { Dialog } from "../parts/dialog";
import { type HeldBack, originalLink } from "../talk/originals";

/** What the browser did not let be opened, to be opened one by one; what was opened goes from the list. */
export function HeldBackPages({ held, onClose }: { held: HeldBack; onClose: () => void }) {
  const [done, setDone] = useState<ReadonlySet<string>>(new Set());
  const all = held.opened + held.rest.length;
  const opened = held.opened + done.size;
  return (
    <Dialog
      open
      onOpenChange={(open) => !open && onClose()}
      title={opened === all ? `All ${all} are open` : `Opened ${opened} of ${all}`}
      about="Your browser opens one page at a press and holds the others back. Open them here one by one, or allow pop-ups for this site and open everything again."
    >
      <ol className="flex flex-col">
        {held.rest.map((one) => {
          const { onClick, onAuxClick, ...link } = originalLink(one);
          const note = (then: () => void) => () => {
            then();
            setDone((before) => new Set([...before, one.id]));
          };
          return (
            <li key={one.id} className="border-b border-line last:border-0">
              <a
                {...link}
                onClick={note(onClick)}
                onAuxClick={note(onAuxClick)}
                className="-mx-2 flex min-h-11 items-center gap-3 rounded-sm px-2 py-1.5 hover:bg-wash"
              >
                <span
                  className={`min-w-0 flex-1 truncate ${done.has(one.id) ? "text-quiet" : "text-accent"}`}
                >
                  {one.title || one.address}
                </span>
                {done.has(one.id) && <span className="text-sm text-quiet">open</span>}
              </a>
            </li>
          );
        })}
      </ol>
    </Dialog>
  );
}
