"use client";

import { useState } from "react";
import { saidInGroups } from "@/core/share/short-code";
import type { Answer } from "@/services/registry";
import { MenuItem, RowMenu } from "../parts/menu";
import { sayDone } from "../shell/use-undo";
import { call } from "../talk/call";
import { copyText } from "../talk/copy-text";
import { sayFailure } from "../talk/say-failure";
import { toast } from "../talk/toast";

type Props = {
  learner: Answer<"groups.look">["learners"][number];
  team: string;
  again: () => void;
};

/** A name in a group, with its code; the name is corrected where it stands. */
export function LearnerRow({ learner, team, again }: Props) {
  const [typed, setTyped] = useState<string | null>(null);
  const save = () => {
    const name = typed?.trim();
    if (!name || name === learner.name) return setTyped(null);
    call("learners.edit", { learner: learner.id, name })
      .then(() => (setTyped(null), again()))
      .catch(sayFailure);
  };
  const renew = () =>
    call("learners.renew-card", { learner: learner.id })
      .then(() => (again(), toast(`${learner.name} has a new code. The old card opens nothing any more.`)))
      .catch(sayFailure);
  const remove = () =>
    call("learners.remove", { learner: learner.id })
      .then(({ entry }) => (again(), sayDone(`Taken out: ${learner.name}`, team, entry, again)))
      .catch(sayFailure);
  return (
    <li className="flex min-h-11 items-center gap-3 border-b border-line">
      <input
        aria-label={`Name: ${learner.name}`}
        value={typed ?? learner.name}
        maxLength={80}
        onChange={(event) => setTyped(event.target.value)}
        onBlur={save}
        onKeyDown={(event) => {
          if (event.key === "Enter") event.currentTarget.blur();
          if (event.key === "Escape") setTyped(null);
        }}
        className="-ml-1.5 h-9 min-w-0 flex-1 rounded border border-transparent bg-transparent px-1.5 hover:border-edge"
      />
      <output aria-label={`Code of ${learner.name}`} className="font-mono text-[15px] font-semibold">
        {saidInGroups(learner.code)}
      </output>
      <RowMenu label={`What to do with ${learner.name}`} reachable>
        <MenuItem href={`/h/${learner.card}`}>Open as {learner.name}</MenuItem>
        <MenuItem
          onSelect={() =>
            void copyText(
              `${location.origin}/h/${learner.card}`,
              `The address for ${learner.name} is copied.`,
            )
          }
        >
          Copy the address
        </MenuItem>
        <MenuItem onSelect={() => void renew()}>The card is lost: give a new one</MenuItem>
        <MenuItem stop onSelect={() => void remove()}>
          Take out of the group
        </MenuItem>
      </RowMenu>
    </li>
  );
}
