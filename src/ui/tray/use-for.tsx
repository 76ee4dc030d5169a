"use client";

import { useState } from "react";
import { Destination, type Goal } from "../bench/dialogs/destination";
import { Button } from "../parts/button";
import { Dialog } from "../parts/dialog";
import { Field } from "../parts/field";

export type Use = { forWords: string; forCollection: string | null; forSection: string | null };

/** What something is still to be used for: in a few words, or a place in the tree. */
export function UseFor({
  team,
  title,
  known,
  onPick,
  onClose,
}: {
  team: string;
  title: string;
  /** What was said lately. */
  known: readonly string[];
  onPick: (use: Use) => void;
  onClose: () => void;
}) {
  const [words, setWords] = useState("");
  const say = (forWords: string) =>
    onPick({ forWords: forWords.trim(), forCollection: null, forSection: null });
  const place = ({ collection, section = null }: Goal) =>
    onPick({ forWords: words.trim(), forCollection: collection, forSection: section });
  return (
    <Dialog
      open
      onOpenChange={(on) => !on && onClose()}
      title={title}
      about="For what? It stays in your Tray until it is placed."
    >
      <form
        className="flex items-end gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          say(words);
        }}
      >
        <Field
          autoFocus
          label="In words"
          placeholder="the newsletter"
          maxLength={200}
          className="flex-1"
          value={words}
          onChange={(event) => setWords(event.target.value)}
        />
        <Button type="submit" look="accent">
          Still to use
        </Button>
      </form>
      {known.length > 0 && (
        <p className="flex flex-wrap gap-1.5">
          {known.map((one) => (
            <Button key={one} small onClick={() => say(one)}>
              {one}
            </Button>
          ))}
        </p>
      )}
      <p className="text-sm font-semibold">Or for a collection</p>
      <Destination team={team} makes={false} waits onPick={place} />
    </Dialog>
  );
}
