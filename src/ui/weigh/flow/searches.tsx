"use client";

import { useState } from "react";
import { SEARCH_KINDS, type SearchKind } from "@/core/appraise/flow";
import type { Answer } from "@/services/registry";
import { Button } from "../../parts/button";
import { Day } from "../../parts/day";
import { Area, Choice, Field } from "../../parts/field";
import { sayDone } from "../../shell/use-undo";
import { call } from "../../talk/call";
import { newId } from "../../talk/ids";
import { sayByField, sayFailure } from "../../talk/say-failure";

type Search = Answer<"rounds.flow">["searches"][number];
type Props = { team: string; round: string; searches: Search[]; brings: boolean; onChanged: () => void };

const KIND_OF_SEARCH: Record<SearchKind, string> = {
  database: "a database",
  register: "a register",
  other: "elsewhere",
};

/** The record of searches: where, when, with which words, and how much each found. */
export function Searches({ team, round, searches, brings, onChanged }: Props) {
  const [editing, setEditing] = useState<string | null>(null);
  const done = () => (setEditing(null), onChanged());
  const remove = (search: Search) =>
    void call("search-records.remove", { searchRecord: search.id })
      .then(({ entry }) => {
        onChanged();
        sayDone(`Taken away: ${search.source}`, team, entry, onChanged);
      })
      .catch(sayFailure);
  return (
    <section aria-labelledby="searches" className="max-w-3xl">
      <div className="mt-8 mb-2 flex flex-wrap items-center gap-3">
        <h2 id="searches" className="mr-auto font-serif text-xl font-semibold">
          The searches
        </h2>
        {brings && editing === null && (
          <Button small onClick={() => setEditing("new")}>
            Write down a search
          </Button>
        )}
      </div>
      {editing === "new" && <SearchForm round={round} onDone={done} onLeave={() => setEditing(null)} />}
      {searches.length === 0 && editing === null ? (
        <p className="text-[15px] text-quiet">
          None is written down yet. With them the figure says how much was found, and where.
        </p>
      ) : (
        <ul className={searches.length ? "border-t border-line" : ""}>
          {searches.map((search) => (
            <li key={search.id} className="border-b border-line py-3">
              {editing === search.id ? (
                <SearchForm round={round} search={search} onDone={done} onLeave={() => setEditing(null)} />
              ) : (
                <div className="flex flex-wrap items-start gap-2">
                  <div className="min-w-52 flex-1">
                    <p className="break-words">
                      <b className="font-semibold">{search.source}</b>{" "}
                      <span className="text-[15px] text-quiet">
                        {KIND_OF_SEARCH[search.kind]}
                        {search.searched && (
                          <>
                            {" "}
                            · <Day of={search.searched} />
                          </>
                        )}{" "}
                        · {search.hits} found
                      </span>
                    </p>
                    {search.words && (
                      <p className="font-mono text-sm break-words whitespace-pre-line">{search.words}</p>
                    )}
                  </div>
                  {brings && (
                    <>
                      <Button small onClick={() => setEditing(search.id)}>
                        Change
                      </Button>
                      <Button small look="quiet" onClick={() => remove(search)}>
                        Take away
                      </Button>
                    </>
                  )}
                </div>
              )}
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}

type FormProps = { round: string; search?: Search; onDone: () => void; onLeave: () => void };

function SearchForm({ round, search, onDone, onLeave }: FormProps) {
  const [id] = useState(() => search?.id ?? newId());
  const [typed, setTyped] = useState({
    source: search?.source ?? "",
    kind: search?.kind ?? ("database" as SearchKind),
    searched: search?.searched ?? "",
    words: search?.words ?? "",
    hits: search ? String(search.hits) : "",
  });
  const [errors, setErrors] = useState<Record<string, string>>({});
  const set = (fields: Partial<typeof typed>) => (setErrors({}), setTyped((old) => ({ ...old, ...fields })));
  const save = () => {
    if (!/^\d{1,8}$/.test(typed.hits)) return setErrors({ hits: "Write how many it found." });
    call("search-records.save", {
      ...{ round, searchRecord: id, source: typed.source, kind: typed.kind, words: typed.words },
      ...{ searched: typed.searched || null, hits: Number(typed.hits) },
    })
      .then(onDone)
      .catch(sayByField(setErrors));
  };
  return (
    <form
      noValidate
      className="mb-4 grid gap-3 rounded-md border border-line bg-sheet p-4 sm:grid-cols-2"
      onSubmit={(event) => {
        event.preventDefault();
        save();
      }}
    >
      <Field
        label="Where it was made"
        autoFocus
        value={typed.source}
        error={errors.source}
        maxLength={200}
        onChange={(event) => set({ source: event.target.value })}
      />
      <Choice
        label="Which is"
        value={typed.kind}
        options={SEARCH_KINDS.map((kind) => [kind, KIND_OF_SEARCH[kind]] as const)}
        onChange={(event) => set({ kind: event.target.value as SearchKind })}
      />
      <Field
        label="When"
        type="date"
        value={typed.searched}
        error={errors.searched}
        onChange={(event) => set({ searched: event.target.value })}
      />
      <Field
        label="How many it found"
        inputMode="numeric"
        value={typed.hits}
        error={errors.hits}
        onChange={(event) => set({ hits: event.target.value })}
      />
      <Area
        className="sm:col-span-2"
        label="With which words"
        hint="As they were typed there, so that somebody else can make the same search."
        value={typed.words}
        error={errors.words}
        maxLength={4000}
        onChange={(event) => set({ words: event.target.value })}
      />
      <div className="flex justify-end gap-2 sm:col-span-2">
        <Button look="quiet" onClick={onLeave}>
          Cancel
        </Button>
        <Button look="accent" type="submit">
          Save
        </Button>
      </div>
    </form>
  );
}
