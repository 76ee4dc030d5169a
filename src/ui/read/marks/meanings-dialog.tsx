"use client";

import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import {
  MOST_MEANINGS,
  PATTERN_WORDS,
  PATTERNS,
  type Pattern,
  type Tint,
  TINTS,
} from "@/core/marks/meanings";
import { Button } from "../../parts/button";
import { Dialog } from "../../parts/dialog";
import { Field } from "../../parts/field";
import { ask, call } from "../../talk/call";
import { newId } from "../../talk/ids";
import { sayFailure, whyOf } from "../../talk/say-failure";
import { MeaningWord } from "./meaning-word";

type Named = { id: string; name: string; pattern: Pattern; tint: Tint };

/** What a team means by its marks: each a word, a pattern of underline and a colour. */
export function MeaningsDialog({
  team,
  edits,
  onOpenChange,
  onChanged,
}: {
  team: string;
  edits: boolean;
  onOpenChange: (open: boolean) => void;
  onChanged: () => void;
}) {
  const client = useQueryClient();
  const key = ["meanings", team];
  const { data } = useQuery({ queryKey: key, queryFn: () => ask("meanings.read", { team }) });
  const [name, setName] = useState("");
  const [error, setError] = useState("");
  const all = data?.meanings ?? [];
  const done = () => {
    void client.invalidateQueries({ queryKey: key });
    onChanged();
  };
  const save = (input: { meaning: string; name: string; pattern?: Pattern; tint?: Tint }) =>
    call("meanings.save", { team, ...input }).then(done);
  const next = <T extends string>(values: readonly T[], value: T): T =>
    values[(values.indexOf(value) + 1) % values.length]!;
  return (
    <Dialog
      open
      onOpenChange={onOpenChange}
      title="What our marks mean"
      about="Words your team marks with, such as claim, doubt, for the exam. Each has a pattern of its own, because colour alone says nothing to some."
    >
      <ul className="flex flex-col gap-1">
        {all.map((one: Named, i) => (
          <li
            key={one.id}
            className="flex flex-wrap items-center gap-2 border-b border-line py-1.5 last:border-0"
          >
            <span className="w-5 text-sm text-quiet">{i + 1}</span>
            <span className="min-w-24 flex-1 text-[17px]">
              <MeaningWord meaning={one} />
            </span>
            {edits && (
              <>
                <Button
                  small
                  look="quiet"
                  onClick={() =>
                    void save({
                      meaning: one.id,
                      name: one.name,
                      pattern: next(PATTERNS, one.pattern),
                    }).catch(sayFailure)
                  }
                >
                  Other pattern
                  <span className="sr-only">
                    {" "}
                    for {one.name}, now {PATTERN_WORDS[one.pattern]}
                  </span>
                </Button>
                <Button
                  small
                  look="quiet"
                  onClick={() =>
                    void save({ meaning: one.id, name: one.name, tint: next(TINTS, one.tint) }).catch(
                      sayFailure,
                    )
                  }
                >
                  Other colour<span className="sr-only"> for {one.name}</span>
                </Button>
                <Button
                  small
                  look="quiet"
                  onClick={() =>
                    void call("meanings.remove", { team, meaning: one.id }).then(done).catch(sayFailure)
                  }
                >
                  Take off<span className="sr-only"> {one.name}</span>
                </Button>
              </>
            )}
          </li>
        ))}
        {data && !all.length && <li className="text-quiet">None yet: marks are just marks.</li>}
      </ul>
      {edits && all.length < MOST_MEANINGS && (
        <form
          className="flex items-end gap-2"
          onSubmit={(event) => {
            event.preventDefault();
            save({ meaning: newId(), name }).then(
              () => {
                setName("");
                setError("");
              },
              (failure: unknown) => setError(whyOf(failure)),
            );
          }}
        >
          <Field
            label="One more"
            placeholder="doubt"
            className="flex-1"
            value={name}
            maxLength={40}
            error={error}
            onChange={(event) => setName(event.target.value)}
          />
          <Button type="submit" look="accent">
            Name it
          </Button>
        </form>
      )}
      {!edits && <p className="text-sm text-quiet">Editors of the team name them.</p>}
    </Dialog>
  );
}
