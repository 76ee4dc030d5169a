"use client";

import { useMemo, useState } from "react";
import { drawing } from "@/core/appraise/agreement/random";
import { readPrice, sayPrice, writePrice } from "@/core/appraise/price";
import { ranked } from "@/core/appraise/ranking";
import {
  MOST_OF_ONE,
  NO_WISH,
  PRIORITIES,
  shortlistCsv,
  shortlisted,
  type Wish,
} from "@/core/appraise/shortlist";
import { fileName } from "@/core/formats/file-name";
import type { Answer } from "@/services/registry";
import { Button } from "../parts/button";
import { Choice, Field } from "../parts/field";
import { KindMark } from "../parts/kind";
import { call, Refusal } from "../talk/call";
import { saveFile } from "../talk/save-file";
import { sayByField, sayFailure } from "../talk/say-failure";

type Round = Answer<"rounds.look">;
type Props = { round: Round; brings: boolean; arranges: boolean; onChanged: () => void };

const WANTED = { 1: "first of all", 2: "then", 3: "if anything is left" } as const;

/** What is to be had of a round: by how much it is wanted and how well it was judged, with what it costs as one goes down. */
export function Shortlist({ round, brings, arranges, onChanged }: Props) {
  const { id, title, budget, currency } = round.round;
  const isHidden = round.round.blind && round.round.state === "judging";
  const { rows, sum, unpriced } = useMemo(() => {
    const wishes = new Map(round.wishes.map((one) => [one.resource, one]));
    // In a blind round nobody knows yet what is thought best.
    const best = isHidden ? [] : ranked(round.things, round.criteria, drawing(1)).map(({ at }) => at);
    const order = [...new Set([...best, ...round.things.keys()])];
    return shortlisted(
      order.map((at) => {
        const { resource } = round.things[at]!;
        return { thing: resource, wish: wishes.get(resource.id) ?? NO_WISH };
      }),
      budget,
    );
  }, [round, budget, isHidden]);
  const say = (mills: number) => sayPrice(mills, currency);
  const save = (resource: string, wish: Partial<Wish>) =>
    call("rounds.wish", { round: id, resource, ...wish }).then(onChanged);
  return (
    <div className="max-w-5xl">
      <div className="mb-4 flex flex-wrap items-end gap-x-4 gap-y-3">
        <p className="mr-auto text-[15px]" role="status">
          <b className="font-semibold tabular-nums">{say(sum)}</b>
          <span className="text-quiet">
            {" "}
            for all of it{budget !== null && `, of ${say(budget)}`}
            {unpriced > 0 && ` · ${unpriced === 1 ? "1 has" : `${unpriced} have`} no price yet`}
          </span>
        </p>
        {arranges && <Money {...{ id, budget, currency, onChanged }} />}
        <Button
          onClick={() =>
            saveFile({
              name: `${fileName(title)}.csv`,
              type: "text/csv",
              content: shortlistCsv(rows, currency),
            })
          }
        >
          Take it along
        </Button>
      </div>
      <div className="overflow-x-auto" tabIndex={0} role="region" aria-label="The shortlist">
        <table className="w-full min-w-[44rem] border-collapse text-[15px]">
          <thead>
            <tr className="border-b border-line text-left text-sm text-quiet">
              <th className="py-1.5 pr-4 font-semibold">What</th>
              <th className="py-1.5 pr-4 font-semibold">Wanted</th>
              <th className="py-1.5 pr-4 text-right font-semibold">Price of one</th>
              <th className="py-1.5 pr-4 text-right font-semibold">Number</th>
              <th className="py-1.5 pr-4 text-right font-semibold">Cost</th>
              <th className="py-1.5 text-right font-semibold">Sum so far</th>
            </tr>
          </thead>
          <tbody>
            {rows.map(({ thing, wish, cost, sum, isOver }) => (
              <tr key={thing.id} className="border-b border-line">
                <th scope="row" className="max-w-80 py-1.5 pr-4 text-left font-normal">
                  <span className="flex items-start gap-1">
                    <KindMark kind={thing.kind} />
                    <span className="line-clamp-2 min-w-0 break-words">{thing.title}</span>
                  </span>
                </th>
                <td className="py-1.5 pr-4">
                  {brings ? (
                    <Choice
                      label={`Wanted: ${thing.title}`}
                      hideLabel
                      value={String(wish.priority ?? "")}
                      options={[
                        ["", "not said"],
                        ...PRIORITIES.map((one) => [String(one), `${one}: ${WANTED[one]}`] as const),
                      ]}
                      onChange={({ target }) =>
                        void save(thing.id, { priority: Number(target.value) || null }).catch(sayFailure)
                      }
                    />
                  ) : (
                    (wish.priority ?? "")
                  )}
                </td>
                <td className="py-1.5 pr-4 text-right">
                  {brings ? (
                    <Figure
                      label={`Price of one: ${thing.title}`}
                      value={wish.price === null ? "" : writePrice(wish.price)}
                      read={(text) => (text === "" ? null : (readPrice(text) ?? undefined))}
                      hint="A price looks like 12.50."
                      onSave={(price) => save(thing.id, { price })}
                    />
                  ) : (
                    wish.price !== null && say(wish.price)
                  )}
                </td>
                <td className="py-1.5 pr-4 text-right">
                  {brings ? (
                    <Figure
                      narrow
                      label={`Number: ${thing.title}`}
                      value={String(wish.number)}
                      read={(text) =>
                        /^\d{1,5}$/.test(text) && Number(text) <= MOST_OF_ONE ? Number(text) : undefined
                      }
                      hint={`A whole number, at the most ${MOST_OF_ONE}.`}
                      onSave={(number) => save(thing.id, { number })}
                    />
                  ) : (
                    wish.number
                  )}
                </td>
                <td className="py-1.5 pr-4 text-right tabular-nums">{cost !== null && say(cost)}</td>
                <td className={`py-1.5 text-right tabular-nums ${isOver ? "font-semibold text-warn" : ""}`}>
                  {cost !== null && say(sum)}
                  {isOver && <span className="block text-sm font-normal">over the budget</span>}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <p className="mt-3 max-w-prose text-sm text-quiet">
        What is wanted first comes first; of what is wanted alike, what was judged best.
      </p>
    </div>
  );
}

type FigureProps<T> = {
  label: string;
  value: string;
  /** What was typed; undefined: that cannot be read. */
  read: (text: string) => T | undefined;
  hint: string;
  narrow?: boolean;
  onSave: (value: T) => Promise<unknown>;
};

/** A figure in a table, kept when one goes on. What is being typed stays, whatever comes from others. */
function Figure<T>({ label, value, read, hint, narrow, onSave }: FigureProps<T>) {
  const [typed, setTyped] = useState<string>();
  const [error, setError] = useState<string>();
  const keep = () => {
    if (typed === undefined) return;
    if (typed.trim() === value) return setTyped(undefined);
    const figure = read(typed.trim());
    if (figure === undefined) return setError(hint);
    onSave(figure).then(
      () => setTyped((now) => (now === typed ? undefined : now)),
      (failure: unknown) => {
        if (failure instanceof Refusal) setError(Object.values(failure.fields)[0] ?? failure.detail);
        else sayFailure(failure);
      },
    );
  };
  return (
    <Field
      label={label}
      hideLabel
      inputMode="decimal"
      value={typed ?? value}
      error={error}
      maxLength={16}
      className={`ml-auto text-right ${narrow ? "w-20" : "w-28"}`}
      onChange={(event) => (setError(undefined), setTyped(event.target.value))}
      onBlur={keep}
      onKeyDown={(event) => event.key === "Enter" && keep()}
    />
  );
}

type MoneyProps = { id: string; budget: number | null; currency: string; onChanged: () => void };

/** What it may cost, and in which currency; each is kept by itself when one goes on. */
function Money({ id, budget, currency, onChanged }: MoneyProps) {
  const [typed, setTyped] = useState<{ budget?: string; currency?: string }>({});
  const [errors, setErrors] = useState<Record<string, string>>({});
  const set = (fields: typeof typed) => (setErrors({}), setTyped((old) => ({ ...old, ...fields })));
  const save = (fields: { budget?: number | null; currency?: string }) =>
    call("rounds.edit", { round: id, ...fields })
      .then(onChanged)
      // What was typed meanwhile, and in the other field, is not kept yet and stays.
      .then(() =>
        setTyped((now) => ({
          budget: "budget" in fields && now.budget === typed.budget ? undefined : now.budget,
          currency: "currency" in fields && now.currency === typed.currency ? undefined : now.currency,
        })),
      )
      .catch(sayByField(setErrors));
  const keepBudget = () => {
    if (typed.budget === undefined) return;
    const read = typed.budget.trim() ? readPrice(typed.budget) : null;
    if (typed.budget.trim() && read === null) return setErrors({ budget: "A price looks like 500." });
    if (read !== budget) void save({ budget: read });
    else setTyped(({ currency }) => ({ currency }));
  };
  const keepCurrency = () => {
    const code = typed.currency?.trim().toUpperCase();
    if (code !== undefined && code !== currency) void save({ currency: code });
  };
  return (
    <form
      noValidate
      className="flex flex-wrap items-end gap-x-4 gap-y-2"
      onSubmit={(event) => {
        event.preventDefault();
        keepBudget();
        keepCurrency();
      }}
    >
      <Field
        label="It may cost"
        inputMode="decimal"
        className="w-32"
        value={typed.budget ?? (budget === null ? "" : writePrice(budget))}
        error={errors.budget}
        maxLength={16}
        onChange={(event) => set({ budget: event.target.value })}
        onBlur={keepBudget}
      />
      <Field
        label="Currency"
        placeholder="EUR"
        className="w-24"
        value={typed.currency ?? currency}
        error={errors.currency}
        maxLength={3}
        onChange={(event) => set({ currency: event.target.value })}
        onBlur={keepCurrency}
      />
      <button type="submit" className="sr-only">
        Keep it
      </button>
    </form>
  );
}
