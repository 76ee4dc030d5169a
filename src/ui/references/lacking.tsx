"use client";

import { useState } from "react";
import type { Answer } from "@/services/registry";
import { Button } from "../parts/button";
import { Field } from "../parts/field";
import { Link } from "../parts/link";
import { ask, call, Refusal } from "../talk/call";
import { sayFailure, whyOf } from "../talk/say-failure";

type Gap = Answer<"references.bibliography">["lacking"][number];
type FieldOf = Gap["lacks"][number]["field"];
/** More are shown once these are filled. */
const SHOWN = 50;

/** What references are poor without, work by work, to be filled in cell by cell, or looked up by a DOI or an ISBN. */
export function Lacking({
  all,
  of,
  mends,
  onMended,
}: {
  all: readonly Gap[];
  of: number;
  mends: boolean;
  onMended: () => void;
}) {
  const counts = new Map<string, number>();
  for (const { words } of all.flatMap((one) => one.lacks)) counts.set(words, (counts.get(words) ?? 0) + 1);
  const said = [...counts]
    .sort((a, b) => b[1] - a[1])
    .slice(0, 4)
    .map(([words, count]) => `${count} lack ${words.toLowerCase()}`);
  return (
    <details className="rounded-md border border-line">
      <summary className="cursor-pointer rounded-md px-4 py-2.5 hover:bg-wash">
        <span className="font-semibold">
          {all.length} of {of} could say more
        </span>
        <span className="text-quiet">: {said.join(", ")}</span>
      </summary>
      <ul className="divide-y divide-line border-t border-line">
        {all.slice(0, SHOWN).map((gap) => (
          <Row key={gap.resource} gap={gap} mends={mends} onMended={onMended} />
        ))}
      </ul>
      {all.length > SHOWN && (
        <p className="border-t border-line px-4 py-2 text-quiet">
          {all.length - SHOWN} more come after these.
        </p>
      )}
    </details>
  );
}

function Row({ gap, mends, onMended }: { gap: Gap; mends: boolean; onMended: () => void }) {
  const { resource, title, lacks } = gap;
  const [wrong, setWrong] = useState<Record<string, string>>({});
  const [identifier, setIdentifier] = useState("");
  const [looking, setLooking] = useState(false);
  const refused = (at: string) => (error: unknown) => {
    if (!(error instanceof Refusal)) return sayFailure(error);
    setWrong({ [at]: Object.values(error.fields)[0] ?? whyOf(error) });
  };
  const fill = (field: FieldOf, value: string) => {
    if (!value.trim()) return;
    setWrong({});
    void call("resources.edit", { resource, ...changeOf(field, value.trim()) }).then(
      onMended,
      refused(field),
    );
  };
  /** What is found fills what is empty, and nothing else. */
  const lookUp = async () => {
    setLooking(true);
    setWrong({});
    try {
      const { reference } = await ask("references.look-up", { identifier });
      const { fields, authors, published } = reference;
      const lacking = new Set<string>(lacks.map((one) => one.field));
      const details = Object.fromEntries(Object.entries(fields).filter(([name]) => lacking.has(name)));
      await call("resources.edit", {
        resource,
        ...(lacking.has("authors") && authors?.length && { authors }),
        ...(lacking.has("published") && published && { published }),
        details: {
          ...details,
          ...(fields.DOI && { DOI: fields.DOI }),
          ...(fields.ISBN && { ISBN: fields.ISBN }),
        },
      });
      onMended();
    } catch (error) {
      refused("identifier")(error);
    } finally {
      setLooking(false);
    }
  };
  return (
    <li className="flex flex-col gap-2 px-4 py-3">
      <Link
        href={`/read/${resource}`}
        className="w-fit max-w-full font-semibold break-words text-accent hover:underline"
      >
        {title || "Untitled"}
      </Link>
      {mends ? (
        <div className="grid items-start gap-3 sm:grid-cols-3">
          {lacks.map(({ field, words }) =>
            field === "address" ? null : (
              <Field
                key={field}
                label={words}
                placeholder={HINTS[field]}
                error={wrong[field]}
                onBlur={(event) => fill(field, event.target.value)}
                onKeyDown={(event) => event.key === "Enter" && fill(field, event.currentTarget.value)}
              />
            ),
          )}
          <form
            className="flex items-start gap-2"
            onSubmit={(event) => {
              event.preventDefault();
              void lookUp();
            }}
          >
            <Field
              label="Or look it up"
              placeholder="DOI or ISBN"
              className="min-w-0 flex-1"
              value={identifier}
              error={wrong.identifier}
              onChange={(event) => setIdentifier(event.target.value)}
            />
            <Button className="mt-6" type="submit" disabled={!identifier.trim() || looking}>
              Look up
            </Button>
          </form>
        </div>
      ) : (
        <p className="text-quiet">{lacks.map((one) => one.words).join(", ")}</p>
      )}
    </li>
  );
}

const HINTS: Partial<Record<FieldOf, string>> = {
  authors: "Weld, Ona; Tomas Lind",
  published: "2026-03-09, or 2026",
  page: "14–16",
};

function changeOf(field: FieldOf, value: string) {
  if (field === "authors") return { authors: value.split(";").map((name) => name.trim()) };
  if (field === "published") return { published: value };
  return { details: { [field]: value } };
}
