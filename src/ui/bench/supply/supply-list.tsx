"use client";

import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import { rangeOf } from "@/core/list/selection";
import { SupplyRow } from "./supply-row";
import { openOriginals } from "../../talk/originals";
import type { Supplied } from "../state/types";

type Props = {
  resources: Supplied[];
  here: ReadonlySet<string>;
  onPlace?: (resources: Supplied[]) => void;
  onAway?: (resources: Supplied[]) => void;
  /** Keeps them for a use. */
  onUse?: (resources: Supplied[]) => void;
  onDelete?: (resources: Supplied[]) => void;
  /** What is said of one besides. */
  sayOf?: (id: string) => string | null;
  label: string;
  /** What stands above and beneath it. */
  head?: React.ReactNode;
  children?: React.ReactNode;
};

/** A list one goes through with the arrows; the right arrow places what is chosen across the seam, the left one or P puts it away, U keeps it for a use, O opens. */
export function SupplyList({
  resources,
  here,
  onPlace,
  onAway,
  onUse,
  onDelete,
  sayOf,
  label,
  head,
  children,
}: Props) {
  const list = useRef<HTMLUListElement>(null);
  const [wanted, setWanted] = useState("");
  const [marked, setMarked] = useState<ReadonlySet<string>>(new Set());
  const anchor = useRef("");
  const at = Math.max(
    0,
    resources.findIndex((one) => one.id === wanted),
  );
  const current = resources[at];
  const chosen = useMemo(() => {
    const some = resources.filter((one) => marked.has(one.id));
    return some.length > 1 || !current ? some : [current];
  }, [resources, marked, current]);
  const now = useRef({ resources, marked });
  // eslint-disable-next-line react-hooks/refs -- read by the handlers below only, which never change themselves
  now.current = { resources, marked };
  const choose = useCallback((id: string, how: "only" | "toggle" | "range" | "keep") => {
    setWanted(id);
    if (how === "keep") return;
    const ids = now.current.resources.map((one) => one.id);
    if (how === "range") return setMarked(new Set(rangeOf(ids, anchor.current || null, id)));
    anchor.current = id;
    const next = how === "only" ? new Set<string>() : new Set(now.current.marked);
    if (how === "only" || !next.delete(id)) next.add(id);
    setMarked(next);
  }, []);
  // Placed or put away, what had the focus is gone from the list: the one that took its place has it then.
  const place = useRef({ at: 0, focused: false });
  useEffect(() => {
    const { at: was, focused } = place.current;
    if (wanted && !resources.some((one) => one.id === wanted)) {
      const next = resources[Math.min(was, resources.length - 1)];
      if (!next) return;
      setWanted(next.id);
      if (focused && (document.activeElement ?? document.body) === document.body)
        list.current?.querySelector<HTMLElement>(`[data-supply="${next.id}"] button`)?.focus();
    } else place.current.at = at;
  }, [resources, wanted, at]);
  const go = (to: number, how: "only" | "range") => {
    const next = resources[Math.max(0, Math.min(to, resources.length - 1))];
    if (!next) return;
    if (how === "range" && !anchor.current) anchor.current = current?.id ?? "";
    choose(next.id, how);
    list.current?.querySelector<HTMLElement>(`[data-supply="${next.id}"] button`)?.focus();
  };
  /** Does something with what is chosen that takes it out of the list, and goes on to the next. */
  const letGo = (doing: (resources: Supplied[]) => void) => {
    doing(chosen);
    const gone = new Set(chosen.map((one) => one.id));
    const next = resources.findIndex((one, i) => i > at && !gone.has(one.id));
    go(next < 0 ? at - 1 : next, "only");
  };
  const onKey = (event: React.KeyboardEvent) => {
    const how = event.shiftKey ? "range" : "only";
    if (!current || event.altKey) return;
    const key = event.key.toLowerCase();
    if ((event.ctrlKey || event.metaKey) && key === "a") setMarked(new Set(resources.map((one) => one.id)));
    else if (event.ctrlKey || event.metaKey) return;
    else if (key === "arrowdown") go(at + 1, how);
    else if (key === "arrowup") go(at - 1, how);
    else if (key === "home") go(0, how);
    else if (key === "end") go(resources.length - 1, how);
    else if (key === "pagedown") go(at + 10, how);
    else if (key === "pageup") go(at - 10, how);
    else if (key === " ") choose(current.id, event.shiftKey ? "range" : "toggle");
    else if (key === "escape" && chosen.length > 1) choose(current.id, "only");
    else if (key === "arrowright" && onPlace) {
      onPlace(chosen);
      setMarked(new Set());
    } else if (key === "o") openOriginals(chosen);
    else if (key === "u" && onUse) onUse(chosen);
    else if (key === "delete" && onDelete) letGo(onDelete);
    else if ((key === "p" || key === "arrowleft") && onAway) letGo(onAway);
    else return;
    event.preventDefault();
  };
  return (
    <div className="min-h-0 flex-1 overflow-y-auto short:min-h-auto short:overflow-visible">
      {head}
      <ul
        ref={list}
        aria-label={label}
        onKeyDown={onKey}
        onFocus={() => (place.current.focused = true)}
        onBlur={(event) => {
          // What is taken out of the page while it has the focus loses it to nothing.
          if (event.relatedTarget) place.current.focused = false;
        }}
      >
        {resources.map((resource) => (
          <SupplyRow
            key={resource.id}
            resource={resource}
            current={resource.id === current?.id}
            chosen={chosen.includes(resource)}
            along={chosen.includes(resource) ? chosen : null}
            here={here.has(resource.id)}
            onChoose={choose}
            onPlace={onPlace}
            onAway={onAway}
            onUse={onUse}
            said={sayOf?.(resource.id) ?? null}
          />
        ))}
      </ul>
      {children}
    </div>
  );
}
