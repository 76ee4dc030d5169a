"use client";

import { useQuery } from "@tanstack/react-query";
import { MoreHorizontal } from "lucide-react";
import { useState } from "react";
import { countOf } from "@/core/editions/changes";
import type { Shows } from "@/core/publish/model";
import type { Answer } from "@/services/registry";
import { Button, buttonLook, IconButton } from "../parts/button";
import { Day } from "../parts/day";
import { Field } from "../parts/field";
import { Link } from "../parts/link";
import { Menu, MenuItem } from "../parts/menu";
import { ask, call } from "../talk/call";
import { copyText } from "../talk/copy-text";
import { toast } from "../talk/toast";
import { Choices } from "../parts/choices";
import { ChangesList, sayChanges } from "./changes";
import { type AllEditions as All, newestOf } from "./use-publish";

type One = All["editions"][number];

/** What was kept of the collection, for readers to see again; and whether they see the newest of it or what stands there. */
export function Editions({
  collection,
  all,
  link,
  publishes,
  doing,
}: {
  collection: string;
  all: All | undefined;
  /** Where readers read it; null: nobody outside the team does. */
  link: string | null;
  publishes: boolean;
  doing: <T>(work: Promise<T>) => Promise<T | undefined>;
}) {
  const [words, setWords] = useState("");
  const [said, setSaid] = useState("");
  const editions = all?.editions ?? [];
  const newest = newestOf(all);
  const whole = editions.find((one) => !one.withdrawnAt && !one.isIssue);
  const since = useQuery({
    queryKey: ["editions-since", collection, whole?.number],
    queryFn: () => ask("editions.compare", { collection, from: whole!.number }),
    enabled: whole !== undefined,
  }).data as Answer<"editions.compare"> | undefined;
  const next = (editions[0]?.number ?? 0) + 1;
  const isSame = since !== undefined && countOf(since) === 0;
  const keep = async () => {
    setSaid("");
    const done = await doing(call("editions.keep", { collection, words }));
    if (!done) return;
    setSaid(
      done.isNew
        ? `Edition ${done.number} is kept.`
        : `Nothing has changed since edition ${done.number}, so no other was kept.`,
    );
    if (done.isNew) setWords("");
  };
  if (!all) return null;
  return (
    <details>
      <summary className="w-fit cursor-pointer rounded-sm py-1 text-[15px] text-accent">
        {editions.length ? `Editions: ${editions.length} kept` : "Keep an edition"}
      </summary>
      <div className="mt-2 flex flex-col gap-4">
        <p className="text-[15px] text-quiet">
          The collection as readers see it now, with a number and a date. It never changes again, and stays
          where it is when the collection goes on.
        </p>
        {publishes && (
          <form
            className="flex flex-col gap-2"
            onSubmit={(event) => {
              event.preventDefault();
              void keep();
            }}
          >
            <Field
              label="What is new in it"
              hint="a sentence for readers, if you like"
              value={words}
              maxLength={300}
              onChange={(event) => setWords(event.target.value)}
            />
            <Button type="submit" className="w-fit">
              Keep edition {next}
            </Button>
            <p role="status" className="text-[15px] text-quiet">
              {said}
            </p>
          </form>
        )}
        {whole && since && isSame && !said && (
          <p className="text-[15px] text-quiet">Nothing has changed since edition {whole.number}.</p>
        )}
        {whole && since && !isSame && (
          <details>
            <summary className="w-fit cursor-pointer rounded-sm text-[15px] text-accent">
              Since edition {whole.number}: {sayChanges(since)}
            </summary>
            <div className="mt-2">
              <ChangesList changes={since} />
            </div>
          </details>
        )}
        {newest && (
          <div>
            <p className="text-sm font-semibold">At the address readers see</p>
            <Choices<Shows>
              label="At the address readers see"
              value={all.shows}
              disabled={!publishes}
              onChange={(shows) => void doing(call("share.set", { collection, shows }))}
              options={[
                { value: "living", words: "What stands there now", means: "Each change is seen at once." },
                {
                  value: "edition",
                  words: `The newest edition, now ${newest.number}`,
                  means: "What you work on is seen when you keep the next one.",
                },
              ]}
            />
          </div>
        )}
        {editions.length > 0 && (
          <ol className="border-t border-line">
            {editions.map((one) => (
              <Row
                key={one.number}
                {...{ one, link, collection, publishes, doing }}
                before={
                  one.isIssue
                    ? undefined
                    : editions.find((other) => other.number < one.number && !other.isIssue)
                }
              />
            ))}
          </ol>
        )}
      </div>
    </details>
  );
}

function Row({
  one,
  before,
  link,
  collection,
  publishes,
  doing,
}: {
  one: One;
  before: One | undefined;
  link: string | null;
  collection: string;
  publishes: boolean;
  doing: <T>(work: Promise<T>) => Promise<T | undefined>;
}) {
  const { number, words, isIssue, items, by, createdAt, withdrawnAt } = one;
  const [compares, setCompares] = useState(false);
  const changes = useQuery({
    queryKey: ["editions-between", collection, before?.number, number],
    queryFn: () => ask("editions.compare", { collection, from: before!.number, to: number }),
    enabled: compares,
    staleTime: Infinity,
  }).data as Answer<"editions.compare"> | undefined;
  const address = link && `${link}/e/${number}`;
  const withdraw = (withdrawn: boolean) =>
    doing(call("editions.withdraw", { collection, number, withdrawn })).then((done) => {
      if (!done) return;
      if (!withdrawn) return toast(`Readers get edition ${number} again.`);
      toast(`Edition ${number} is withdrawn; a dated line stands in its place.`, {
        action: { label: "Give it back", onClick: () => void withdraw(false) },
      });
    });
  const bringBack = () =>
    doing(call("editions.bring-back", { collection, number })).then((done) => {
      if (done)
        toast(`“${done.collection.title}” stands behind this one.`, {
          action: { label: "Open it", onClick: () => window.location.assign(`/bench/${done.collection.id}`) },
        });
    });
  return (
    <li className="flex flex-col gap-1 border-b border-line py-2.5">
      <div className="flex items-start gap-2">
        <div className="min-w-0 flex-1">
          <p className={withdrawnAt ? "text-quiet" : "font-semibold"}>
            {isIssue ? "Issue" : "Edition"} {number}
            {withdrawnAt && (
              <>
                , withdrawn on <Day of={withdrawnAt} />
              </>
            )}
          </p>
          <p className="text-sm text-quiet">
            <Day of={createdAt} /> · {items} {items === 1 ? "item" : "items"}
            {by && ` · ${by}`}
          </p>
          {words && <p className="text-[15px] break-words">{words}</p>}
        </div>
        <Menu
          align="end"
          button={
            <IconButton label={`What to do with edition ${number}`}>
              <MoreHorizontal size={18} aria-hidden />
            </IconButton>
          }
        >
          <MenuItem onSelect={() => void bringBack()}>Bring it back as a new collection</MenuItem>
          {publishes && (
            <MenuItem onSelect={() => void withdraw(!withdrawnAt)}>
              {withdrawnAt ? "Give it back to readers" : "Withdraw it from readers"}
            </MenuItem>
          )}
        </Menu>
      </div>
      <p className="-ml-2.5 flex flex-wrap gap-x-1">
        {address && !withdrawnAt && (
          <>
            <Link
              href={address}
              target="_blank"
              rel="noreferrer"
              className={buttonLook("quiet", true)}
              aria-label={`Open edition ${number}`}
            >
              Open
            </Link>
            <Button
              small
              look="quiet"
              aria-label={`Copy the address of edition ${number}`}
              onClick={() => void copyText(address, "The address is copied.")}
            >
              Copy address
            </Button>
          </>
        )}
        {before && (
          <Button small look="quiet" aria-expanded={compares} onClick={() => setCompares(!compares)}>
            What changed
          </Button>
        )}
      </p>
      {compares && changes && (
        <div className="pb-1">
          {countOf(changes) ? (
            <ChangesList changes={changes} />
          ) : (
            <p className="text-[15px] text-quiet">
              Nothing that stands here since edition {before!.number}; perhaps a picture or a file.
            </p>
          )}
        </div>
      )}
    </li>
  );
}
