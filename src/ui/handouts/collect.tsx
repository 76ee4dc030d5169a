"use client";

import { useRouter } from "next/navigation";
import { useState } from "react";
import type { Collecting } from "@/core/handouts/collected";
import { Button } from "../parts/button";
import { Dialog } from "../parts/dialog";
import { Choice } from "../parts/field";
import { sayDone } from "../shell/use-undo";
import { call } from "../talk/call";
import { newId } from "../talk/ids";
import { sayFailure } from "../talk/say-failure";

type Props = { handout: { id: string; title: string }; team: string; onClose: () => void };

/** Makes one collection of what came back; it can be taken back. */
export function Collect({ handout, team, onClose }: Props) {
  const router = useRouter();
  const [collection] = useState(newId);
  const [by, setBy] = useState<Collecting["by"]>("item");
  const [names, setNames] = useState("yes");
  const [busy, setBusy] = useState(false);
  const collect = () => {
    setBusy(true);
    call("handouts.collect", { handout: handout.id, collection, by, names: names === "yes" })
      .then(({ entry }) => {
        onClose();
        router.push(`/bench/${collection}`);
        sayDone("Collected. Nobody outside the team sees it.", team, entry, () => router.back());
      })
      .catch(sayFailure)
      .finally(() => setBusy(false));
  };
  return (
    <Dialog
      open
      onOpenChange={(open) => !open && onClose()}
      title="Collect what came back"
      about="Answers, own words and finds become one new collection. What several found stands there once and says by how many. Notes stay theirs."
    >
      <form
        className="flex flex-col gap-4"
        onSubmit={(event) => {
          event.preventDefault();
          collect();
        }}
      >
        <Choice
          label="In the order of"
          value={by}
          onChange={(event) => setBy(event.target.value as Collecting["by"])}
          options={[
            ["item", "the items: what everybody wrote at each"],
            ["learner", "the names: what each of them wrote"],
          ]}
        />
        <Choice
          label="Names"
          value={names}
          onChange={(event) => setNames(event.target.value)}
          options={[
            ["yes", "stand there"],
            ["no", "are left out"],
          ]}
        />
        <Button look="accent" type="submit" className="self-end" disabled={busy} autoFocus>
          Collect
        </Button>
      </form>
    </Dialog>
  );
}
