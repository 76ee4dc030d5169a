"use client";

import { clsx } from "clsx";
import { countMarks, EVERYTHING, type MarkFilter } from "@/core/marks/filter";
import { Key } from "../../parts/key";
import { Choice } from "../../parts/field";
import { KEYS } from "../../shell/commands";
import { MeaningWord } from "./meaning-word";
import type { Marks } from "./use-marks";

type Props = {
  marks: Marks;
  me: string;
  filter: MarkFilter;
  onFilter: (filter: MarkFilter) => void;
  /** Whether there are words to be marked. */
  hasText: boolean;
  onMeanings: () => void;
};

/** How much is marked, by what it means and by whom; a press shows only that. */
export function MarksBar({ marks, me, filter, onFilter, hasText, onMeanings }: Props) {
  const { all, people, ...counted } = marks.counted ?? countMarks(marks.marks);
  const meanings = new Map(counted.meanings.map((one) => [one.id, one.count]));
  const isAll = filter.meaning === null && filter.person === null;
  return (
    <div
      className="mt-5 flex flex-wrap items-center gap-x-1.5 gap-y-1 text-[15px]"
      role="group"
      aria-label="Marks"
    >
      {all === 0 ? (
        hasText && (
          <p className="text-quiet">
            Select words to mark them <Key>{KEYS.mark}</Key>
          </p>
        )
      ) : (
        <>
          <Chip on={isAll} onClick={() => onFilter(EVERYTHING)}>
            {all} {all === 1 ? "mark" : "marks"}
          </Chip>
          {marks.meanings
            .filter((one) => meanings.has(one.id))
            .map((one) => (
              <Chip
                key={one.id}
                on={filter.meaning === one.id}
                onClick={() => onFilter({ ...filter, meaning: filter.meaning === one.id ? null : one.id })}
              >
                <MeaningWord meaning={one} /> {meanings.get(one.id)}
              </Chip>
            ))}
          {people.length > 1 && (
            <Choice
              label="By whom"
              hideLabel
              className="ml-1 w-40 [&_select]:h-8! [&_select]:px-1.5! [&_select]:text-sm"
              value={filter.person ?? ""}
              onChange={(event) => onFilter({ ...filter, person: event.target.value || null })}
              options={[
                ["", "by everybody"],
                ...people.map(
                  ({ id, name, count }) =>
                    [id, `by ${id === me ? "you" : (name ?? "somebody who left")} (${count})`] as const,
                ),
              ]}
            />
          )}
        </>
      )}
      <button
        type="button"
        onClick={onMeanings}
        className="ml-auto rounded px-1.5 py-1 text-sm text-accent underline-offset-4 hover:underline"
      >
        What our marks mean
      </button>
    </div>
  );
}

const Chip = ({ on, ...rest }: { on: boolean } & React.ComponentProps<"button">) => (
  <button
    type="button"
    aria-pressed={on}
    className={clsx(
      "inline-flex h-8 items-center gap-1.5 rounded-md border px-2",
      on ? "border-accent bg-wash font-semibold" : "border-transparent hover:bg-wash",
    )}
    {...rest}
  />
);
