"use client";

import { useState } from "react";
import { flattenTree } from "../parts/tree-picker";
import type { Looked } from "./use-publish";

/** What stands inside, each to be left out of what readers see, or taken in again. */
export function LeftOut({
  inside,
  top,
  onLeaveOut,
}: {
  inside: Looked["inside"];
  top: string;
  onLeaveOut: (id: string, out: boolean) => Promise<unknown>;
}) {
  /** What was just pressed, until it is so. */
  const [wished, setWished] = useState<Record<string, boolean>>({});
  const leave = (id: string, out: boolean) => {
    setWished((all) => ({ ...all, [id]: out }));
    void onLeaveOut(id, out).finally(() => setWished(({ [id]: _, ...others }) => others));
  };
  const isOut = (one: { id: string; leftOut: boolean }) => wished[one.id] ?? one.leftOut;
  const nodes = flattenTree(inside.map((one) => (one.parent === top ? { ...one, parent: null } : one)));
  const known = new Map(inside.map((one) => [one.id, one]));
  const isCovered = (id: string): boolean => {
    const up = known.get(known.get(id)?.parent ?? "");
    return up ? isOut(up) || isCovered(up.id) : false;
  };
  return (
    <details>
      <summary className="w-fit cursor-pointer rounded-sm py-1 text-[15px] text-accent">
        Leave some of it out
      </summary>
      <ul className="mt-1 max-h-72 overflow-y-auto scrolls">
        {nodes.map(({ id, title, depth }) => (
          <li key={id} style={{ paddingLeft: depth * 20 }}>
            <label className="flex min-h-8 items-start gap-2.5 py-1 text-[15px]">
              <input
                type="checkbox"
                className="mt-1 size-4 shrink-0 accent-accent"
                checked={!isOut(known.get(id)!) && !isCovered(id)}
                disabled={isCovered(id)}
                onChange={(event) => leave(id, !event.target.checked)}
              />
              {title}
            </label>
          </li>
        ))}
      </ul>
    </details>
  );
}
