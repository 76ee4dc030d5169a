"use client";

import { useState } from "react";
import { MOST_NAMES, namesIn, twice } from "@/core/groups/names";
import { Button } from "../parts/button";
import { Area, Field } from "../parts/field";
import { call } from "../talk/call";
import { newId } from "../talk/ids";
import { sayByField } from "../talk/say-failure";
import { NamesFrom } from "./names-from";

/** Makes a group from a title and names that are pasted or typed, one a line. */
export function NewGroup({
  team,
  onMade,
  onLeave,
}: {
  team: string;
  onMade: (group: { id: string; title: string }) => void;
  onLeave?: () => void;
}) {
  const [id] = useState(newId);
  const [title, setTitle] = useState("");
  const [text, setText] = useState("");
  const [errors, setErrors] = useState<Record<string, string>>({});
  const [busy, setBusy] = useState(false);
  const names = namesIn(text);
  const make = () => {
    if (names.length > MOST_NAMES) return setErrors({ names: `At most ${MOST_NAMES} names to a group.` });
    setBusy(true);
    call("groups.make", { team, group: id, title, names })
      .then(({ group }) => onMade(group))
      .catch(sayByField(setErrors))
      .finally(() => setBusy(false));
  };
  return (
    <form
      noValidate
      className="flex flex-col gap-4"
      onSubmit={(event) => {
        event.preventDefault();
        make();
      }}
    >
      <Field
        label="What the group is called"
        autoFocus
        value={title}
        error={errors.title}
        maxLength={120}
        onChange={(event) => (setTitle(event.target.value), setErrors({}))}
      />
      <Area
        label="Names, one a line"
        hint={sayNames(names)}
        value={text}
        error={errors.names}
        rows={5}
        inputClass="max-h-72 overflow-y-auto"
        onChange={(event) => (setText(event.target.value), setErrors({}))}
      />
      <NamesFrom
        team={team}
        onNames={(found) => {
          setErrors({});
          if (!found.length) return setErrors({ names: "There are no names in it." });
          setText((old) => [...(old.trim() ? [old.trim()] : []), ...found].join("\n"));
        }}
      />
      <div className="flex justify-end gap-2">
        {onLeave && (
          <Button look="quiet" onClick={onLeave}>
            Cancel
          </Button>
        )}
        <Button look="accent" type="submit" disabled={busy}>
          Make the group
        </Button>
      </div>
    </form>
  );
}

/** How many names there are, and which stand there twice. */
export function sayNames(names: readonly string[]): string {
  if (!names.length)
    return "First names, numbers or full names, pasted from a list or a table. Nobody needs an account or a mail address.";
  const doubles = twice(names);
  const count = names.length === 1 ? "1 name." : `${names.length} names.`;
  return doubles.length ? `${count} More than once: ${doubles.slice(0, 5).join(", ")}.` : count;
}
