"use client";

import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "../../parts/link";
import { toast } from "../../talk/toast";
import { sayDone } from "../../shell/use-undo";
import { FIELD_WORDS, type FieldName, ITEM_TYPES, type ItemType, SHAPES } from "@/core/cite/reference";
import type { Answer, InputOf } from "@/services/registry";
import { Button, buttonLook } from "../../parts/button";
import { Choice } from "../../parts/field";
import { ask, call } from "../../talk/call";
import { sayFailure } from "../../talk/say-failure";
import { sayAgo } from "../../talk/say-time";
import { RuleHit } from "../../rules/rule-hit";
import { sayState } from "../../rules/say-rule";
import { useBench } from "../state/bench-context";
import { MendLink } from "./mend-link";
import { PasteText } from "./paste-text";
import { SavedText } from "../../parts/saved-text";
import type { Item } from "../state/types";

type Full = Answer<"resources.read">["resource"];

/** Mending a resource: what a new look found, other pictures, its text by hand, its twin, its fields as a work. */
export function ItemMend({ item, full }: { item: Item; full: Full }) {
  const { commands, arranges, loose, guest } = useBench();
  const client = useQueryClient();
  const { resource } = item;
  const renew = (card: Item["resource"]) => {
    commands.change(item.id, (old) => ({ ...old, resource: card }));
    for (const key of ["resource", "proposal"])
      void client.invalidateQueries({ queryKey: [key, resource.id] });
  };
  const found = useQuery({
    queryKey: ["proposal", resource.id, resource.fetchState],
    queryFn: () => ask("resources.proposal", { resource: resource.id }),
  });
  const hits = full.hits ?? [];
  return (
    <div className="flex flex-col gap-4">
      {hits.map((hit) => (
        <div key={hit.id} className="text-[15px] text-quiet">
          {sayState(hit.state)} by the rule <b className="text-ink">{hit.rule}</b>
          {hit.collectionTitle && `: ${hit.collectionTitle}`}
          {hit.tags.length > 0 && ` (${hit.tags.join(", ")})`}{" "}
          <RuleHit
            hit={hit}
            resource={resource.id}
            rule={hit.ruleId}
            arranges={arranges}
            onDone={() => void client.invalidateQueries()}
          />
        </div>
      ))}
      {resource.duplicateOf && arranges && (
        <MaybeTwice item={item} older={resource.duplicateOf} onDone={() => void client.invalidateQueries()} />
      )}
      {found.data?.at && <Found resource={resource.id} found={found.data} onTaken={renew} />}
      {found.data && found.data.pictures.length > 1 && (
        <Pictures resource={resource.id} pictures={found.data.pictures} />
      )}
      <div className="flex flex-wrap gap-2">
        <Link href={`/read/${resource.id}?in=${item.id}`} className={buttonLook("line", true)}>
          Read it here
        </Link>
        {resource.kind !== "note" && (
          <Button
            small
            onClick={() => commands.fetchAgain(resource.id)}
            disabled={resource.fetchState === "waiting"}
          >
            {resource.file ? "Read the file again" : "Fetch again"}
          </Button>
        )}
        <PasteText resource={resource.id} onDone={renew} />
        {arranges && !loose && !guest && resource.address && !resource.file && <MendLink item={item} />}
      </div>
      <Work full={full} onSaved={renew} />
    </div>
  );
}

const LOOKED: Record<string, string> = {
  title: "Title",
  description: "Description",
  siteName: "Site",
  licence: "Licence",
  authors: "Authors",
  published: "Date",
  kind: "Kind",
  language: "Language",
};

function Found({
  resource,
  found,
  onTaken,
}: {
  resource: string;
  found: Answer<"resources.proposal">;
  onTaken: (card: Item["resource"]) => void;
}) {
  const [left, setLeft] = useState<Set<string>>(
    () => new Set(found.differences.filter((one) => one.typed).map((one) => one.field)),
  );
  const offers = [
    ...found.differences.map((one) => ({
      key: one.field as string,
      words: LOOKED[one.field]!,
      before: one.before,
      after: one.after,
      typed: one.typed,
    })),
    ...(found.text
      ? [
          {
            key: "text",
            words: "Reading copy",
            before: `${found.text.before} characters`,
            after: `${found.text.after} characters`,
            typed: false,
          },
        ]
      : []),
    ...(found.picture
      ? [{ key: "picture", words: "Picture", before: "", after: "another picture", typed: false }]
      : []),
  ];
  const take = (fields: string[]) =>
    void call("resources.take-proposal", { resource, fields })
      .then((answer) => onTaken(answer.resource))
      .catch(sayFailure);
  if (!offers.length)
    return (
      <p role="status" className="text-[15px] text-quiet">
        Fetched again {sayAgo(found.at!)}: nothing is different.
      </p>
    );
  return (
    <section aria-label="What is different now" className="rounded-md border border-line bg-sheet p-3">
      <h3 className="font-semibold">Fetched again {sayAgo(found.at!)}: this is different</h3>
      <ul className="my-2 flex flex-col gap-1.5">
        {offers.map(({ key, words, before, after, typed }) => (
          <li key={key}>
            <label className="flex items-start gap-2 text-[15px]">
              <input
                type="checkbox"
                className="mt-1 size-4 accent-[var(--accent)]"
                checked={!left.has(key)}
                onChange={() =>
                  setLeft((old) => {
                    const next = new Set(old);
                    if (!next.delete(key)) next.add(key);
                    return next;
                  })
                }
              />
              <span className="min-w-0">
                <b className="font-semibold">{words}</b>
                {typed && <span className="text-quiet"> (typed here, so it stays unless ticked)</span>}
                <span className="block break-words text-quiet line-through">{before.slice(0, 200)}</span>
                <span className="block break-words">{after.slice(0, 200)}</span>
              </span>
            </label>
          </li>
        ))}
      </ul>
      <div className="flex gap-2">
        <Button
          small
          look="accent"
          onClick={() => take(offers.map((one) => one.key).filter((key) => !left.has(key)))}
        >
          Take what is ticked
        </Button>
        <Button small look="quiet" onClick={() => take([])}>
          Keep everything as it is
        </Button>
      </div>
    </section>
  );
}

function Pictures({ resource, pictures }: { resource: string; pictures: string[] }) {
  const choose = (address: string) =>
    void call("resources.choose-picture", { resource, address })
      .then(() => toast("The picture is being fetched."))
      .catch(sayFailure);
  return (
    <fieldset>
      <legend className="mb-1 text-sm font-semibold">Pictures the page offers</legend>
      <ul className="flex flex-wrap gap-2">
        {pictures.map((address, i) => (
          <li key={address}>
            <Button small onClick={() => choose(address)} aria-label={`Take picture ${i + 1}: ${address}`}>
              {decodeURIComponent(new URL(address).pathname.split("/").at(-1) || `Picture ${i + 1}`).slice(
                0,
                28,
              )}
            </Button>
          </li>
        ))}
      </ul>
    </fieldset>
  );
}

function MaybeTwice({ item, older, onDone }: { item: Item; older: string; onDone: () => void }) {
  const other = useQuery({
    queryKey: ["resource", older],
    queryFn: () => ask("resources.read", { resource: older }),
  });
  if (!other.data) return null;
  const { title, team } = other.data.resource;
  return (
    <div className="flex flex-wrap items-center gap-2 rounded-md bg-warn-wash p-3 text-[15px]">
      <p className="min-w-52 flex-1">
        This seems to be <b>{title}</b> again
        {other.data.places.length > 0 &&
          `, which stands in ${other.data.places.map((place) => place.title).join(", ")}`}
        .
      </p>
      <Button
        small
        onClick={() =>
          void call("duplicates.merge", { resource: older, gone: item.resource.id })
            .then(({ entry }) => {
              onDone();
              sayDone("Merged into one.", team, entry, onDone);
            })
            .catch(sayFailure)
        }
      >
        Merge them
      </Button>
      <Button
        small
        look="quiet"
        onClick={() =>
          void call("duplicates.keep-apart", { resource: item.resource.id, other: older })
            .then(onDone)
            .catch(sayFailure)
        }
      >
        They are different
      </Button>
    </div>
  );
}

const TYPES = [
  ["", "no kind given"] as const,
  ...ITEM_TYPES.map((type) => [type, SHAPES[type].words] as const),
];

function Work({ full, onSaved }: { full: Full; onSaved: (card: Item["resource"]) => void }) {
  const type = full.itemType as ItemType | null;
  const details = full.details as Partial<Record<FieldName, string>>;
  const save = (fields: Omit<InputOf<"resources.edit">, "resource">) =>
    call("resources.edit", { resource: full.id, ...fields }).then((answer) => onSaved(answer.resource));
  const fields = type
    ? [...SHAPES[type].needs, ...SHAPES[type].also].filter(
        (field): field is FieldName => !["authors", "published", "address"].includes(field),
      )
    : [];
  return (
    <div className="grid gap-4 sm:grid-cols-2 lg:grid-cols-3">
      <Choice
        label="Kind of work, for citing"
        options={TYPES}
        value={type ?? ""}
        onChange={(event) =>
          event.target.value && void save({ itemType: event.target.value as ItemType }).catch(sayFailure)
        }
      />
      {fields.map((field) => (
        <SavedText
          key={field}
          label={FIELD_WORDS[field]}
          value={details[field] ?? ""}
          maxLength={500}
          onSave={(value, base) =>
            save({ details: { [field]: value }, base: { [`details/${field}`]: base } })
          }
        />
      ))}
    </div>
  );
}
