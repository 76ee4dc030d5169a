"use client";

import { useState } from "react";
import { WORDED_AS } from "@/core/editions/changes";
import type { Answer } from "@/services/registry";
import { Button } from "../../parts/button";
import { Dialog } from "../../parts/dialog";
import { sayDone } from "../../shell/use-undo";
import { call } from "../../talk/call";
import { sayFailure } from "../../talk/say-failure";
import { toast } from "../../talk/toast";
import { useBench } from "../state/bench-context";

type Credit = Answer<"shelves.credits">["credits"][number];
type Offered = Credit["offered"][number];
type Props = {
  collection: string;
  credit: Credit;
  onDone: () => void;
  onClose: () => void;
};

/** What can be taken without losing own words. */
const isPlain = (one: Offered) => one.what === "added" || (one.what === "words" && one.merged !== null);

/** What has changed where a collection was taken from, to be taken or left piece by piece. */
export function OffersDialog({ collection, credit, onDone, onClose }: Props) {
  const { team } = useBench();
  const { offered } = credit;
  const [chosen, setChosen] = useState<ReadonlySet<string>>(
    () => new Set(offered.filter(isPlain).map((one) => one.key)),
  );
  const [busy, setBusy] = useState(false);
  const toggle = (key: string) =>
    setChosen((old) => {
      const next = new Set(old);
      if (!next.delete(key)) next.add(key);
      return next;
    });
  const answer = (what: { take?: string[]; leave?: string[]; asks?: boolean }, said: string) => {
    setBusy(true);
    call("shelves.answer", { collection, credit: credit.id, ...what })
      .then(({ entry }) => {
        onDone();
        onClose();
        if (entry) sayDone(said, team, entry, onDone);
        else toast(said);
      })
      .catch(sayFailure)
      .finally(() => setBusy(false));
  };
  const those = offered.filter((one) => chosen.has(one.key)).map((one) => one.key);
  const many = those.length === 1 ? "1 change" : `${those.length} changes`;
  return (
    <Dialog
      open
      wide
      onOpenChange={(open) => !open && onClose()}
      title={`What has changed in “${credit.title}”`}
      about="Your own words stay. Where both have changed the same ones, you say which stand here."
    >
      <ul className="flex flex-col">
        {offered.map((one) => (
          <li key={one.key} className="border-b border-line py-2.5">
            <label className="flex items-start gap-3">
              <input
                type="checkbox"
                className="mt-1 size-4 accent-[var(--accent)]"
                checked={chosen.has(one.key)}
                onChange={() => toggle(one.key)}
              />
              <span className="min-w-0 flex-1">
                <span className="block text-sm text-quiet">
                  {sayWhat(one)}
                  {one.where.length > 0 && `, in ${one.where.join(" · ")}`}
                </span>
                <span className="block font-semibold break-words">{one.title || "A text"}</span>
                {one.what === "words" && <InWords one={one} />}
              </span>
            </label>
          </li>
        ))}
      </ul>
      <div className="flex flex-wrap items-center gap-2">
        <Button
          look="quiet"
          className="mr-auto"
          disabled={busy}
          onClick={() =>
            answer({ asks: false }, `What changes in “${credit.title}” is not offered any more.`)
          }
        >
          Offer nothing more
        </Button>
        <Button
          disabled={busy || !those.length}
          onClick={() => answer({ leave: those }, `${many} left; yours stays as it is.`)}
        >
          Leave {many}
        </Button>
        <Button
          look="accent"
          disabled={busy || !those.length}
          onClick={() => answer({ take: those }, `${many} taken.`)}
        >
          Take {many}
        </Button>
      </div>
    </Dialog>
  );
}

function sayWhat(one: Offered): string {
  if (one.what === "added") return `New ${one.kind}`;
  if (one.what === "gone") return "Taken out there; here it would go too";
  return `Changed ${WORDED_AS[one.of]}`;
}

/** How it would stand here; where own words would go, these too. */
function InWords({ one }: { one: Extract<Offered, { what: "words" }> }) {
  const shown = (text: string) =>
    (one.of === "intro" ? text.replace(/<[^>]*>/g, " ").trim() : text) || "Nothing";
  return (
    <span className="mt-1 flex flex-col gap-1 font-serif">
      <span className="block border-l-3 border-accent pl-2 break-words">{shown(one.merged ?? one.now)}</span>
      {one.merged === null && (
        <span className="block border-l-3 border-line pl-2 break-words text-quiet">
          <span className="block font-sans text-sm">Yours, which would go:</span>
          {shown(one.own)}
        </span>
      )}
    </span>
  );
}
