"use client";

import { useState } from "react";
import type { SheetSection } from "@/core/handouts/sheet-view";
import { Button } from "../parts/button";
import { Area, Field } from "../parts/field";

import { sayByField } from "../talk/say-failure";
import type { Sheet } from "./use-sheet";

const NOTHING = { address: "", title: "", context: "" };

/** Where a learner adds what they found themselves to a section. */
export function AddFind({ section, onFind }: { section: SheetSection; onFind: Sheet["find"] }) {
  const [open, setOpen] = useState(false);
  const [typed, setTyped] = useState(NOTHING);
  const [errors, setErrors] = useState<Record<string, string>>({});
  const [busy, setBusy] = useState(false);
  const field = (name: keyof typeof NOTHING) => ({
    value: typed[name],
    error: errors[name],
    onChange: (event: React.ChangeEvent<HTMLInputElement | HTMLTextAreaElement>) => {
      setTyped((old) => ({ ...old, [name]: event.target.value }));
      setErrors({});
    },
  });
  if (!open)
    return (
      <Button
        small
        className="mt-3 self-start"
        onClick={() => setOpen(true)}
        aria-label={section.title ? `Add something you found to ${section.title}` : undefined}
      >
        Add something you found
      </Button>
    );
  return (
    <form
      noValidate
      className="mt-3 flex flex-col gap-3 rounded-md border border-line bg-sheet p-4"
      onSubmit={(event) => {
        event.preventDefault();
        setBusy(true);
        onFind(section.id, typed)
          .then(() => {
            setTyped(NOTHING);
            setOpen(false);
          })
          .catch(sayByField(setErrors))
          .finally(() => setBusy(false));
      }}
    >
      <Field label="Address" inputMode="url" autoFocus maxLength={2_000} {...field("address")} />
      <Field label="What it is (may wait)" maxLength={300} {...field("title")} />
      <Area label="Why it belongs here" maxLength={4_000} {...field("context")} />
      <div className="flex justify-end gap-2">
        <Button look="quiet" onClick={() => setOpen(false)}>
          Cancel
        </Button>
        <Button look="accent" type="submit" disabled={busy}>
          Add it
        </Button>
      </div>
    </form>
  );
}
