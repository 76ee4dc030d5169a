"use client";

import { useState } from "react";
import { FASTEST, PACES, SLOWEST } from "@/core/fit/pace";
import type { Answer } from "@/services/registry";
import { Choice, Field } from "../../parts/field";
import { sayByField } from "../../talk/say-failure";

type Props = {
  here: Answer<"load.read">;
  arranges: boolean;
  onSave: (pace: number | null) => Promise<unknown>;
};

/** How fast those read whom it is for: by their age, or as many words a minute as somebody has measured. */
export function PaceField({ here, arranges, onSave }: Props) {
  const { readingPace } = here.collection;
  const isOwn = readingPace !== null && PACES.every(({ pace }) => pace !== readingPace);
  const [own, setOwn] = useState(isOwn);
  const [typed, setTyped] = useState<string | null>(null);
  const [errors, setErrors] = useState<Record<string, string>>({});
  const save = (pace: number | null) => void onSave(pace).then(() => setTyped(null), sayByField(setErrors));
  const { above } = here;
  const inherited = above.title === null ? "as adults do" : `as in “${above.title}”`;
  const keep = () => {
    if (typed === null) return;
    const pace = Number(typed);
    if (!Number.isInteger(pace) || pace < SLOWEST || pace > FASTEST)
      return setErrors({ readingPace: `A whole number from ${SLOWEST} to ${FASTEST}.` });
    save(pace);
  };
  return (
    <>
      <Choice
        label="Who reads it"
        disabled={!arranges}
        value={own ? "own" : String(readingPace ?? "")}
        options={[
          ["", `${inherited} (${above.pace} words a minute)`],
          ...PACES.map(({ pace, readers }) => [String(pace), `${readers} (${pace} words a minute)`] as const),
          ["own", "words a minute of your own"],
        ]}
        onChange={({ target: { value } }) => {
          setErrors({});
          setOwn(value === "own");
          if (value !== "own") save(value ? Number(value) : null);
        }}
      />
      {own && (
        <Field
          label="Words of English a minute"
          inputMode="numeric"
          className="w-44"
          disabled={!arranges}
          value={typed ?? String(readingPace ?? here.pace)}
          error={errors.readingPace}
          maxLength={3}
          onChange={(event) => (setErrors({}), setTyped(event.target.value))}
          onBlur={keep}
          onKeyDown={(event) => event.key === "Enter" && keep()}
        />
      )}
    </>
  );
}
