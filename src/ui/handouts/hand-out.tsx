"use client";

import { useQuery } from "@tanstack/react-query";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { Button } from "../parts/button";
import { Dialog } from "../parts/dialog";
import { Choice } from "../parts/field";
import { NewGroup } from "../groups/new-group";
import { sayDone } from "../shell/use-undo";
import { ask, call } from "../talk/call";
import { newId } from "../talk/ids";
import { sayFailure } from "../talk/say-failure";

type Props = {
  team: string;
  collection: { id: string; title: string };
  onClose: () => void;
};

/** Hands a collection out to a group; where there is none yet, one is made on the way. */
export function HandOut({ team, collection, onClose }: Props) {
  const router = useRouter();
  const [id] = useState(newId);
  const [chosen, setChosen] = useState<string | null>(null);
  const [writes, setWrites] = useState("yes");
  const [making, setMaking] = useState(false);
  const [busy, setBusy] = useState(false);
  const { data, refetch } = useQuery({
    queryKey: ["groups", team],
    queryFn: () => ask("groups.read", { team }),
    staleTime: 0,
  });
  const groups = data?.groups;
  // Mostly it is for those who were written down last.
  const newest = groups?.toSorted((a, b) => (a.createdAt < b.createdAt ? 1 : -1))[0];
  const group = groups?.find((one) => one.id === chosen) ?? newest;
  const hand = () => {
    if (!group) return;
    setBusy(true);
    call("handouts.make", {
      collection: collection.id,
      group: group.id,
      handout: id,
      writes: writes === "yes",
    })
      .then(({ handout, entry }) => {
        onClose();
        router.push(`/team/${team}/handouts/${handout.id}`);
        sayDone(`Handed out to ${group.title}.`, team, entry, () => router.refresh());
      })
      .catch(sayFailure)
      .finally(() => setBusy(false));
  };
  const none = groups?.length === 0;
  return (
    <Dialog
      open
      onOpenChange={(open) => !open && onClose()}
      title={none || making ? "To whom? A new group" : `Hand out: ${collection.title}`}
      about="Each of them has it for themselves, as it stands now, by the code of their card. What you change later reaches them when you send it."
    >
      {none || making ? (
        <NewGroup
          team={team}
          onMade={(made) => {
            setChosen(made.id);
            setMaking(false);
            void refetch();
          }}
          onLeave={none ? undefined : () => setMaking(false)}
        />
      ) : (
        <form
          className="flex flex-col gap-4"
          onSubmit={(event) => {
            event.preventDefault();
            hand();
          }}
        >
          <Choice
            label="To"
            value={group?.id ?? ""}
            onChange={(event) => setChosen(event.target.value)}
            options={(groups ?? []).map((one) => [one.id, `${one.title} (${one.learners})`] as const)}
          />
          <Choice
            label="They"
            value={writes}
            onChange={(event) => setWrites(event.target.value)}
            options={[
              ["yes", "write in it: answers, own words, own finds"],
              ["no", "read and tick"],
            ]}
          />
          <div className="flex flex-wrap justify-end gap-2">
            <Button look="quiet" onClick={() => setMaking(true)}>
              Another group
            </Button>
            {group && (
              <Button look="accent" type="submit" disabled={busy} autoFocus>
                Hand out to {group.title}
              </Button>
            )}
          </div>
        </form>
      )}
    </Dialog>
  );
}
