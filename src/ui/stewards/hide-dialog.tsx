"use client";

import { useState } from "react";
import { Button } from "../parts/button";
import { Dialog } from "../parts/dialog";
import { Area } from "../parts/field";
import { call } from "../talk/call";
import { whyOf } from "../talk/say-failure";

type Props = {
  one: { collection: string; title: string; teamName: string };
  onDone: () => void;
  onClose: () => void;
};

/** By which a collection is hidden from its readers, with a word to its team. */
export function HideDialog({ one, onDone, onClose }: Props) {
  const [words, setWords] = useState("");
  const [wrong, setWrong] = useState<string>();
  const [busy, setBusy] = useState(false);
  const hide = (event: React.FormEvent) => {
    event.preventDefault();
    if (!words.trim()) return setWrong("Say why: they read it, and can answer.");
    setBusy(true);
    call("stewards.hide", { collection: one.collection, words: words.trim() })
      .then(onDone)
      .catch((refused: unknown) => setWrong(whyOf(refused)))
      .finally(() => setBusy(false));
  };
  return (
    <Dialog
      open
      onOpenChange={(open) => !open && onClose()}
      title={`Hide “${one.title}”`}
      about={`Nobody outside ${one.teamName} sees it from then on, wherever it stood. The team keeps it, is told that stewards did it, and can answer. It can be shown again.`}
    >
      <form className="flex flex-col gap-3" onSubmit={hide}>
        <Area
          autoFocus
          label="A word to the team"
          rows={3}
          maxLength={1_000}
          value={words}
          error={wrong}
          onChange={(event) => setWords(event.target.value)}
        />
        <Button type="submit" look="stop" className="self-start" disabled={busy}>
          Hide it
        </Button>
      </form>
    </Dialog>
  );
}
