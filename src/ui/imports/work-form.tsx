"use client";

import { useState } from "react";
import { checkDoi, checkIsbn, checkIssn } from "@/core/cite/identifiers";
import {
  FIELD_WORDS,
  type FieldName,
  ITEM_TYPES,
  type ItemType,
  missingFields,
  SHAPES,
} from "@/core/cite/reference";
import { Button } from "../parts/button";
import { Choice, Field } from "../parts/field";
import { ask, call, Refusal } from "../talk/call";
import { newId } from "../talk/ids";
import { sayByField, sayFailure } from "../talk/say-failure";

const TYPES = ITEM_TYPES.map((type) => [type, SHAPES[type].words] as const);
const CHECKS: Partial<Record<FieldName, (text: string) => string | null>> = {
  ISBN: checkIsbn,
  ISSN: checkIssn,
  DOI: checkDoi,
};

type Typed = { title: string; authors: string; published: string; address: string } & Partial<
  Record<FieldName, string>
>;
const BLANK: Typed = { title: "", authors: "", published: "", address: "" };

type Props = {
  team: string;
  into?: { id: string; section?: string | null };
  onDone: (title: string) => void;
};

/** A work by hand: the fields of its kind, what is missing pointed out and not demanded, identifiers checked as typed. */
export function WorkForm({ team, into, onDone }: Props) {
  const [type, setType] = useState<ItemType>("book");
  const [typed, setTyped] = useState<Typed>(BLANK);
  const [identifier, setIdentifier] = useState("");
  const [errors, setErrors] = useState<Record<string, string>>({});
  const [busy, setBusy] = useState(false);
  const shape = SHAPES[type];
  const fields = [...shape.needs, ...shape.also].filter(
    (field): field is FieldName => field !== "authors" && field !== "published" && field !== "address",
  );
  const set = (field: keyof Typed, value: string) => {
    setTyped((old) => ({ ...old, [field]: value }));
    setErrors((old) => ({ ...old, [field]: "" }));
  };
  const missing = typed.title ? missingFields(type, (field) => Boolean(typed[field]?.trim())) : [];

  const lookUp = async () => {
    setErrors((old) => ({ ...old, identifier: "" }));
    try {
      const { reference } = await ask("references.look-up", { identifier });
      if (reference.type) setType(reference.type);
      setTyped((old) => ({
        ...old,
        ...reference.fields,
        title: reference.title || old.title,
        authors: reference.authors?.join("; ") || old.authors,
        published: reference.published ?? old.published,
        address: reference.address || old.address,
      }));
    } catch (failure) {
      const said = failure instanceof Refusal ? (failure.fields.identifier ?? failure.detail) : "";
      if (said) setErrors((old) => ({ ...old, identifier: said }));
      else sayFailure(failure);
    }
  };
  const bring = async () => {
    setBusy(true);
    try {
      const { title, authors, published, address } = typed;
      await call("capture.work", {
        team,
        type,
        title,
        authors: authors
          .split(";")
          .map((name) => name.trim())
          .filter(Boolean),
        published,
        address,
        fields: Object.fromEntries(
          fields.flatMap((field) => (typed[field]?.trim() ? [[field, typed[field]]] : [])),
        ),
        collection: into?.id,
        section: into?.section,
        placement: newId(),
      });
      onDone(title);
    } catch (failure) {
      sayByField(setErrors)(failure);
    }
    setBusy(false);
  };
  const problemOf = (field: keyof Typed) =>
    errors[field] || CHECKS[field as FieldName]?.(typed[field] ?? "") || undefined;
  return (
    <form
      noValidate
      className="flex flex-col gap-4 pt-4"
      onSubmit={(event) => {
        event.preventDefault();
        void bring();
      }}
    >
      <div className="flex flex-wrap items-start gap-3">
        <Field
          label="DOI or ISBN, if it has one"
          className="min-w-52 flex-1"
          value={identifier}
          error={
            errors.identifier ||
            (identifier && !/^(https?:|doi:|10\.)/i.test(identifier) ? (checkIsbn(identifier) ?? "") : "") ||
            undefined
          }
          onChange={(event) => (
            setIdentifier(event.target.value),
            setErrors((old) => ({ ...old, identifier: "" }))
          )}
          onKeyDown={(event) => event.key === "Enter" && (event.preventDefault(), void lookUp())}
        />
        <Button className="mt-6" disabled={!identifier.trim()} onClick={() => void lookUp()}>
          Look it up
        </Button>
      </div>
      <Choice
        label="Kind of work"
        options={TYPES}
        value={type}
        onChange={(event) => setType(event.target.value as ItemType)}
      />
      <Field
        label="Title"
        value={typed.title}
        error={problemOf("title")}
        onChange={(event) => set("title", event.target.value)}
      />
      <div className="grid gap-4 sm:grid-cols-2">
        <Field
          label="Authors"
          placeholder="Separated by ;"
          value={typed.authors}
          onChange={(event) => set("authors", event.target.value)}
        />
        <Field
          label="Date"
          placeholder="2026, 2026-03 or 2026-03-09"
          value={typed.published}
          error={problemOf("published")}
          onChange={(event) => set("published", event.target.value)}
        />
        {fields.map((field) => (
          <Field
            key={field}
            label={FIELD_WORDS[field]}
            value={typed[field] ?? ""}
            error={problemOf(field)}
            onChange={(event) => set(field, event.target.value)}
          />
        ))}
        <Field
          label="Web address"
          inputMode="url"
          value={typed.address}
          error={problemOf("address")}
          onChange={(event) => set("address", event.target.value)}
        />
      </div>
      {missing.length > 0 && (
        <p role="status" className="rounded-md bg-warn-wash p-3 text-[15px]">
          A citation will miss: {missing.join(", ").toLowerCase()}. You can add it later.
        </p>
      )}
      <Button look="accent" type="submit" className="self-end" disabled={busy}>
        Bring in
      </Button>
    </form>
  );
}
