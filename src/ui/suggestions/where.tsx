"use client";

import { useState } from "react";
import { saidInGroups } from "@/core/share/short-code";
import type { InputOf } from "@/services/registry";
import { Button } from "../parts/button";
import { Area } from "../parts/field";
import { dayOf, endOf } from "../publish/use-publish";
import { call } from "../talk/call";
import { copyText } from "../talk/copy-text";
import { sayFailure, whyOf } from "../talk/say-failure";
import { toast } from "../talk/toast";
import type { Shown } from "./shown";

type Page = NonNullable<Shown["page"]>;

/** Where things are suggested: the code and the address, whether it is open, and what becomes of what comes. */
export function Where({
  collection,
  page,
  home,
  begun,
  again,
}: {
  collection: string;
  page: Page;
  home: string;
  /** It was opened here a moment ago: the next step is to tell its address. */
  begun: boolean;
  again: () => void;
}) {
  const set = (change: Omit<InputOf<"suggestions.set-page">, "collection">) =>
    call("suggestions.set-page", { collection, ...change }).then(again);
  const renew = () =>
    call("suggestions.renew-page", { collection })
      .then(() => (again(), toast("There is a new code. The old one opens nothing any more.")))
      .catch(sayFailure);
  return (
    <section
      aria-label="Where it is suggested"
      className="flex flex-col gap-4 rounded-md border border-line bg-sheet p-4"
    >
      <div className="flex flex-wrap items-center gap-x-6 gap-y-3">
        <div>
          <p className="text-[15px] text-quiet">
            {page.takes ? "Open" : "Closed"} · {home.replace(/^https?:\/\//, "")}/go
          </p>
          <output aria-label="Short code" className="font-mono text-3xl font-bold">
            {saidInGroups(page.code)}
          </output>
        </div>
        <div className="ml-auto flex flex-wrap gap-2">
          <Button
            small
            autoFocus={begun}
            onClick={() => void copyText(`${location.origin}/s/${page.link}`, "The address is copied.")}
          >
            Copy the address
          </Button>
          <Button
            small
            look={page.takes ? "line" : "accent"}
            onClick={() =>
              // A day that is over would keep it closed.
              void set(page.takes ? { open: false } : { open: true, until: null }).catch(sayFailure)
            }
          >
            {page.takes ? "Close it" : "Open it"}
          </Button>
        </div>
      </div>
      <label className="flex items-start gap-2">
        <input
          type="checkbox"
          checked={page.letsIn}
          onChange={(event) => void set({ letsIn: event.target.checked }).catch(sayFailure)}
          className="mt-1 size-4 accent-accent"
        />
        <span>
          <span className="font-semibold">Let it in at once</span>
          <span className="block text-[15px] text-quiet">
            {page.letsIn
              ? "What is suggested stands in the collection the moment it comes."
              : "What is suggested waits for a look."}
          </span>
        </span>
      </label>
      <details>
        <summary className="cursor-pointer text-[15px] text-quiet">
          What is asked for, until when, what is held back
        </summary>
        <div className="mt-3 grid gap-4 sm:grid-cols-2">
          <Saved
            label="What you ask for"
            hint="Said above the field, to those who come."
            value={page.ask}
            most={500}
            onSave={(ask) => set({ ask })}
          />
          <Saved
            label="Words and sites that are held for a look"
            hint="By commas or one a line, also while things are let in at once."
            value={page.holds}
            most={4_000}
            onSave={(holds) => set({ holds })}
          />
          <label className="flex flex-col gap-1 text-sm font-semibold">
            Open until
            <input
              type="date"
              value={dayOf(page.until)}
              onChange={(event) => void set({ until: endOf(event.target.value) }).catch(sayFailure)}
              className="h-10 w-44 rounded-md border border-edge bg-sheet px-2.5 font-normal"
            />
          </label>
          <Button small look="quiet" className="self-end justify-self-start" onClick={() => void renew()}>
            Give it a new code and address
          </Button>
        </div>
      </details>
    </section>
  );
}

/** Words that are saved when one leaves their field. */
function Saved({
  label,
  hint,
  value,
  most,
  onSave,
}: {
  label: string;
  hint: string;
  value: string;
  most: number;
  onSave: (value: string) => Promise<unknown>;
}) {
  const [typed, setTyped] = useState<string | null>(null);
  const [error, setError] = useState("");
  const save = () => {
    if (typed === null || typed.trim() === value) return setTyped(null);
    onSave(typed.trim())
      .then(() => setTyped(null))
      .catch((failure: unknown) => setError(whyOf(failure)));
  };
  return (
    <Area
      label={label}
      hint={hint}
      error={error}
      value={typed ?? value}
      maxLength={most}
      inputClass="max-h-48 overflow-y-auto"
      onChange={(event) => (setTyped(event.target.value), setError(""))}
      onBlur={save}
    />
  );
}
