"use client";

import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Button } from "../../parts/button";
import { Area } from "../../parts/field";
import { TreePicker } from "../../parts/tree-picker";
import { ask, call } from "../../talk/call";
import { newId } from "../../talk/ids";
import { sayFailure } from "../../talk/say-failure";
import type { Section } from "../state/types";

/** Where something goes; without a section to the end of the collection. */
export type Goal = { collection: string; title: string; section?: string | null };

type Props = {
  team: string;
  /** The open collection, whose sections stand first. */
  here?: { collection: string; title: string; sections: Section[] };
  /** Collections may be made on the way. */
  makes: boolean;
  /** The context line it begins with there; undefined: it is not asked for one. */
  words?: string;
  onPick: (to: Goal, words?: string) => void;
  /** What stands before it in the same dialog has the focus. */
  waits?: boolean;
};

/**
 * Where to: the sections of the open collection first, then all collections; a few letters find one, and where none is
 * called so it is made. Of a single thing it is asked then why it stands there.
 */
export function Destination({ team, here, makes, words, onPick, waits }: Props) {
  const client = useQueryClient();
  const [goal, setGoal] = useState<Goal | null>(null);
  const tree = useQuery({ queryKey: ["tree", team], queryFn: () => ask("collections.tree", { team }) });
  const sections = here?.sections ?? [];
  const nodes = [
    ...sections.map((one) => ({
      id: `section ${one.id}`,
      parent: null,
      title: `${one.title} (section here)`,
    })),
    ...(tree.data?.collections ?? []),
  ];
  const take = (to: Goal) => (words === undefined ? onPick(to) : setGoal(to));
  const pick = (id: string) => {
    const [, section] = /^section (.+)$/.exec(id) ?? [];
    if (section && here)
      return take({
        collection: here.collection,
        section,
        title: sections.find((one) => one.id === section)?.title ?? here.title,
      });
    take({ collection: id, title: nodes.find((one) => one.id === id)?.title ?? "" });
  };
  const make = (title: string) =>
    void call("collections.make", { team, title, parent: null, collection: newId() })
      .then(({ collection }) => {
        void client.invalidateQueries({ queryKey: ["tree", team] });
        take({ collection: collection.id, title });
      })
      .catch(sayFailure);
  if (goal)
    return <WordsThere goal={goal} first={words ?? ""} onOther={() => setGoal(null)} onDone={onPick} />;
  return (
    <TreePicker
      label="Where to"
      nodes={nodes}
      onPick={pick}
      onMake={makes ? make : undefined}
      waits={waits}
    />
  );
}

/** Why it stands there; Enter places it, with these words or without any. */
function WordsThere({
  goal,
  first,
  onOther,
  onDone,
}: {
  goal: Goal;
  first: string;
  onOther: () => void;
  onDone: (to: Goal, words: string) => void;
}) {
  const [words, setWords] = useState(first);
  const done = () => onDone(goal, words.trim());
  return (
    <form
      className="flex flex-col gap-4"
      onSubmit={(event) => {
        event.preventDefault();
        done();
      }}
    >
      <p className="flex flex-wrap items-center gap-2">
        <span>
          In <b className="font-semibold">{goal.title}</b>
        </span>
        <Button small look="quiet" className="text-accent!" onClick={onOther}>
          Somewhere else
        </Button>
      </p>
      <Area
        label="Why does it stand there?"
        hint="Its context line in the new place. Leave it empty to write it later."
        rows={2}
        autoFocus
        value={words}
        maxLength={4000}
        // Words of the other place are there to be replaced, or kept as they are.
        onFocus={(event) => event.target.select()}
        onChange={(event) => setWords(event.target.value)}
        onKeyDown={(event) => {
          if (event.key !== "Enter" || event.shiftKey || event.nativeEvent.isComposing) return;
          event.preventDefault();
          done();
        }}
      />
      <Button look="accent" type="submit" className="self-end">
        Place it
      </Button>
    </form>
  );
}
