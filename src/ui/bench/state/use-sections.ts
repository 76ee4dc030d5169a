"use client";

import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import type { Answer } from "@/services/registry";
import { holdLetters } from "../../shell/hold-letters";
import { sayDone } from "../../shell/use-undo";
import { call } from "../../talk/call";
import { newId } from "../../talk/ids";
import { sayFailure } from "../../talk/say-failure";
import type { Section } from "./types";

type Around = {
  team: string;
  head: Answer<"collections.read">;
  reload: () => void;
  announce: (words: string) => void;
};

/** Making, moving and deleting the sections of the open collection. */
export function useSections({ team, head, reload, announce }: Around) {
  const client = useQueryClient();
  const [fresh, setFresh] = useState<string | null>(null);
  const { id } = head.collection;
  const again = () => client.invalidateQueries({ queryKey: ["collection", id] });
  const add = () => {
    const section = newId();
    // Its name is written as soon as it is there.
    holdLetters();
    call("sections.make", { collection: id, title: "New section", section })
      .then(again)
      .then(() => setFresh(section))
      .catch(sayFailure);
  };
  const move = (section: Section, by: 1 | -1) => {
    const at = head.sections.findIndex((one) => one.id === section.id);
    const after = by === 1 ? head.sections[at + 1] : at > 0 ? (head.sections[at - 2] ?? null) : undefined;
    if (after === undefined) return announce("It stands there already.");
    call("sections.move", { section: section.id, after: after?.id ?? null })
      .then(again)
      .catch(sayFailure);
  };
  const remove = (section: Section) =>
    void call("sections.remove", { section: section.id })
      .then(({ entry }) => {
        void again();
        sayDone(`Deleted with what stood in it: ${section.title}`, team, entry, () => {
          reload();
          void again();
        });
      })
      .catch(sayFailure);
  return { fresh, add, move, remove };
}
