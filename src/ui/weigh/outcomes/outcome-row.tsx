"use client";

import { useState } from "react";
import type { Count, Row } from "@/core/outcomes/coverage";
import { sayMinutes } from "@/core/text/minutes";
import { Button } from "../../parts/button";
import { Field } from "../../parts/field";
import { Link } from "../../parts/link";
import { sayDone } from "../../shell/use-undo";
import { call } from "../../talk/call";
import { sayByField, sayFailure } from "../../talk/say-failure";

type Column = { id: string; title: string };
type Props = {
  team: string;
  row: Row;
  columns: readonly Column[];
  opened: string | null;
  arranges: boolean;
  /** For which collection others are asked; empty: for none. */
  course: string;
  /** One may ask others for things. */
  asks: boolean;
  onOpen: (column: string | null) => void;
  onAddInside: () => void;
  onChanged: () => void;
  children?: React.ReactNode;
};

/** An outcome with what serves it in each collection, and what is to be done about it. */
export function OutcomeRow({
  team,
  row,
  columns,
  opened,
  arranges,
  course,
  asks,
  onOpen,
  onAddInside,
  onChanged,
  children,
}: Props) {
  const { outcome, depth, heads, all, cover } = row;
  const [unfolded, setUnfolded] = useState(false);
  const isGap = !heads && cover !== "covered";
  return (
    <>
      <tr className="border-b border-line align-top">
        <th
          scope="row"
          className="sticky left-0 z-[1] max-w-96 min-w-40 bg-ground sm:min-w-64 py-1.5 pr-3 text-left font-normal"
        >
          <button
            type="button"
            aria-expanded={unfolded}
            onClick={() => setUnfolded(!unfolded)}
            style={{ paddingLeft: `${depth * 1.25}rem` }}
            className={`block w-full rounded-md text-left break-words hover:underline ${heads ? "font-semibold" : ""}`}
          >
            {outcome.code && <span className="mr-1 text-sm text-quiet tabular-nums">{outcome.code}</span>}{" "}
            {outcome.title}
          </button>
        </th>
        <td className="min-w-36 py-1.5 pr-3 text-sm">
          {isGap ? (
            <span className="inline-block border-l-[3px] border-warn pl-1.5 font-semibold text-warn">
              {cover === "nothing"
                ? "by nothing"
                : cover === "one thing"
                  ? "by one thing"
                  : "only unappraised"}
            </span>
          ) : (
            <CountWords count={all} />
          )}
        </td>
        {columns.map((column) => {
          const cell = row.cells.get(column.id);
          const what = `${outcome.code || outcome.title}, ${column.title}: ${cell ? sayCount(cell) : "nothing"}`;
          return (
            <td key={column.id} className="h-px border-l border-line p-0">
              {heads ? (
                <div className="min-h-10 px-2 py-1.5">{cell && <Woven count={cell} />}</div>
              ) : (
                <button
                  type="button"
                  aria-label={what}
                  aria-expanded={opened === column.id}
                  title={cell ? sayCount(cell) : undefined}
                  onClick={() => onOpen(opened === column.id ? null : column.id)}
                  className={`block h-full min-h-10 w-full px-2 py-1.5 text-left hover:bg-wash ${opened === column.id ? "bg-wash" : ""}`}
                >
                  {cell && <Woven count={cell} />}
                </button>
              )}
            </td>
          );
        })}
      </tr>
      {(unfolded || children) && (
        <tr className="border-b border-line">
          <td colSpan={columns.length + 2} className="p-0">
            {unfolded && (
              <About
                {...{ team, row, arranges, course, asks, onAddInside, onChanged }}
                onLeave={() => setUnfolded(false)}
              />
            )}
            {children}
          </td>
        </tr>
      )}
    </>
  );
}

/** How much there is, woven: a full thread for each thing that serves it fully, a broken one for each that does in part. */
function Woven({ count: { full, part } }: { count: Count }) {
  return (
    <span aria-hidden className="flex flex-wrap items-center gap-[3px] pt-1">
      {Array.from({ length: Math.min(full, 12) }, (_, i) => (
        <span key={`f${i}`} className="h-4 border-l-4 border-accent" />
      ))}
      {Array.from({ length: Math.min(part, 12) }, (_, i) => (
        <span key={`p${i}`} className="h-4 border-l-4 border-dotted border-accent" />
      ))}
      {full + part > 12 && <span className="pl-1 text-sm">{full + part}</span>}
    </span>
  );
}

const sayCount = ({ full, part, minutes, appraised }: Count): string =>
  [
    ...(full ? [`${full} fully`] : []),
    ...(part ? [`${part} partly`] : []),
    ...(minutes ? [sayMinutes(minutes)] : []),
    `${appraised} of ${full + part} appraised`,
  ].join(", ");

const CountWords = ({ count }: { count: Count }) => (
  <>
    {count.full + count.part === 0 ? (
      <span className="text-quiet">by nothing</span>
    ) : (
      <>
        {count.full + count.part}{" "}
        {count.minutes > 0 && <span className="text-quiet">· {sayMinutes(count.minutes)}</span>}
      </>
    )}
  </>
);

type AboutProps = Pick<
  Props,
  "team" | "row" | "arranges" | "course" | "asks" | "onAddInside" | "onChanged"
> & {
  onLeave: () => void;
};

/** Other words for an outcome, and the way to what could fill it. */
function About({
  team,
  row: { outcome, all, cover },
  arranges,
  onAddInside,
  onChanged,
  onLeave,
  course,
  asks,
}: AboutProps) {
  const [typed, setTyped] = useState({ code: outcome.code, title: outcome.title });
  const [errors, setErrors] = useState<Record<string, string>>({});
  const save = () =>
    call("outcomes.edit", { outcome: outcome.id, ...typed })
      .then(() => (onChanged(), onLeave()))
      .catch(sayByField(setErrors));
  const remove = () =>
    void call("outcomes.remove", { outcome: outcome.id })
      .then(({ entry }) => {
        onChanged();
        sayDone(`Taken away: ${outcome.title}`, team, entry, onChanged);
      })
      .catch(sayFailure);
  return (
    <div className="sticky left-0 my-2 max-w-[min(52rem,calc(100vw-2rem))] rounded-md border border-line bg-sheet p-4">
      <p className="mb-3 text-[15px]">
        {cover === "nothing" ? "Nothing serves it yet." : `It is served by: ${sayCount(all)}.`}{" "}
        <Link
          href={`/team/${team}/catalogue?q=${encodeURIComponent(outcome.title)}`}
          className="text-accent underline"
        >
          Search the catalogue for its words
        </Link>
        {asks && (
          <>
            {" · "}
            <Link
              href={`/team/${team}/suggestions/${course}?wanted=${encodeURIComponent(outcome.title)}`}
              className="text-accent underline"
            >
              Ask others for it
            </Link>
          </>
        )}
      </p>
      {arranges && (
        <form
          noValidate
          className="grid gap-3 sm:grid-cols-[8rem_minmax(0,1fr)]"
          onSubmit={(event) => {
            event.preventDefault();
            void save();
          }}
        >
          <Field
            label="Code"
            value={typed.code}
            error={errors.code}
            maxLength={20}
            onChange={(event) => setTyped((old) => ({ ...old, code: event.target.value }))}
          />
          <Field
            label="Words"
            value={typed.title}
            error={errors.title}
            maxLength={500}
            onChange={(event) => (setTyped((old) => ({ ...old, title: event.target.value })), setErrors({}))}
          />
          <div className="flex flex-wrap gap-2 sm:col-span-2">
            <Button small look="accent" type="submit">
              Save
            </Button>
            <Button small onClick={onAddInside}>
              Write some inside it
            </Button>
            <Button small look="quiet" onClick={remove}>
              Take away
            </Button>
          </div>
        </form>
      )}
    </div>
  );
}
