"use client";

import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { type Told, WORDED_AS } from "@/core/editions/changes";
import { Button } from "../parts/button";
import { Dialog } from "../parts/dialog";
import { sayDone } from "../shell/use-undo";
import { ask, call } from "../talk/call";
import { sayFailure, whyOf } from "../talk/say-failure";

type Props = { handout: string; group: string; team: string; again: () => void; onClose: () => void };

/** So many of a kind are named; the rest is counted. */
const NAMED = 6;

/** What has changed in the original since, and what sending it would do; it can be taken back. */
export function Correction({ handout, group, team, again, onClose }: Props) {
  const [busy, setBusy] = useState(false);
  const { data, error } = useQuery({
    queryKey: ["correction", handout],
    queryFn: () => ask("handouts.preview-correction", { handout }),
    staleTime: 0,
    gcTime: 0,
  });
  const send = () => {
    setBusy(true);
    call("handouts.correct", { handout })
      .then(({ entry, isNew }) => {
        again();
        onClose();
        if (isNew) sayDone(`${group} has what has changed.`, team, entry, again);
      })
      .catch(sayFailure)
      .finally(() => setBusy(false));
  };
  const changes = data?.changes;
  return (
    <Dialog
      open
      onOpenChange={(open) => !open && onClose()}
      title="Send what has changed"
      about="What they left alone takes the new words. What they wrote stays theirs."
    >
      {error ? (
        <p className="text-stop">{whyOf(error)}</p>
      ) : !changes ? (
        <p className="text-quiet">Comparing …</p>
      ) : data.count === 0 ? (
        <p>Nothing has changed in the original since. Change it on the Bench, then come back.</p>
      ) : (
        <>
          <div className="flex flex-col gap-3">
            <Some title="New" all={changes.added.map(nameOf)} />
            <Some
              title="Other words"
              all={changes.words.map((one) => `${nameOf(one)} (${WORDED_AS[one.of]})`)}
            />
            <Some title="Elsewhere" all={changes.moved.map(nameOf)} />
            <Some title="Taken out" all={changes.gone.map(nameOf)} />
          </div>
          <ul className="list-disc pl-5 text-[15px]">
            {data.beside > 0 && (
              <li>
                {sayPeople(data.beside)} own words where yours changed: theirs stay, yours stand beside them.
              </li>
            )}
            {data.kept > 0 && <li>{sayPeople(data.kept)} something at what is taken out: they keep it.</li>}
            {data.beside + data.kept === 0 && <li>Nobody has written where something changes.</li>}
          </ul>
          <Button look="accent" className="self-end" autoFocus disabled={busy} onClick={send}>
            Send to {group}
          </Button>
        </>
      )}
    </Dialog>
  );
}

const nameOf = ({ title }: Told) => title || "a text";
const sayPeople = (n: number) => (n === 1 ? "1 has written" : `${n} have written`);

function Some({ title, all }: { title: string; all: readonly string[] }) {
  if (!all.length) return null;
  return (
    <div>
      <h3 className="text-sm font-semibold">
        {title}: {all.length}
      </h3>
      <ul className="text-[15px] text-quiet">
        {all.slice(0, NAMED).map((one, i) => (
          <li key={i} className="truncate">
            {one}
          </li>
        ))}
        {all.length > NAMED && <li>and {all.length - NAMED} more</li>}
      </ul>
    </div>
  );
}
