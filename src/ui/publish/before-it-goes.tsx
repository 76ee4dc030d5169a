"use client";

import { useState } from "react";
import { groupBy } from "@/core/list/group-by";
import { type FindingKind, FINDINGS } from "@/core/publish/look-over";
import { sayMinutes } from "@/core/text/minutes";
import { CHOICES, sayLicence } from "@/core/licence/known";
import { Button, buttonLook } from "../parts/button";
import { Choice } from "../parts/field";
import { Link } from "../parts/link";
import { call } from "../talk/call";
import { inPlace } from "../talk/in-place";
import type { Looked } from "./use-publish";

type Finding = Looked["findings"][number];
type Doing = (work: Promise<unknown>) => Promise<unknown>;

const SAID: Record<FindingKind, [one: string, many: string]> = {
  dead: ["could not be read", "could not be read"],
  lost: ["leads to a page that is there no more", "lead to pages that are there no more"],
  astray: ["leads to a page that is not what it was", "lead to pages that are not what they were"],
  private: ["has an address that only opens inside", "have addresses that only open inside"],
  waiting: ["is still being read", "are still being read"],
  closed: ["inside is not shown to readers", "inside are not shown to readers"],
  "too-long": ["takes longer than it should", "take longer than they should"],
  "too-hard": ["is harder to read than it should be", "are harder to read than they should be"],
  twice: ["stands here twice", "stand here twice"],
  bare: ["has an address for a title", "have an address for a title"],
  "no-context": ["does not say why it stands here", "do not say why they stand here"],
  "no-alternative": ["is a picture nobody has described", "are pictures nobody has described"],
  file: [
    "is a file that is handed on, under no licence known",
    "are files that are handed on, under no licence known",
  ],
  unread: ["was never opened by anybody here", "were never opened by anybody here"],
  "in-dispute": ["is in dispute among those who judged it", "are in dispute among those who judged them"],
  "judged-before": ["has changed since it was judged", "have changed since they were judged"],
  unjudged: ["was judged by nobody, as others here were", "were judged by nobody, as others here were"],
};

/** What a careful colleague would notice before it goes out; each leads to its place, and can be mended here. */
export function BeforeItGoes({
  looked,
  ...rest
}: {
  looked: Looked;
  team: string;
  doing: Doing;
  mends: boolean;
}) {
  const byKind = groupBy(looked.findings, (one) => one.kind);
  const kinds = FINDINGS.filter((kind) => byKind.has(kind));
  return (
    <section aria-label="Before it goes out" className="flex flex-col">
      <h2 className="text-sm font-semibold">Before it goes out</h2>
      {sayLicences(looked.holds.licences) && (
        <p className="mt-1 text-[15px] text-quiet">{sayLicences(looked.holds.licences)}</p>
      )}
      {kinds.length === 0 && (
        <p className="mt-1 text-[15px] text-quiet">Nothing is amiss that could be seen.</p>
      )}
      {kinds.map((kind) => {
        const count = looked.counts[kind]!;
        return (
          <details key={kind} className="border-b border-line py-1.5">
            <summary className="cursor-pointer rounded-sm py-0.5 text-[15px]">
              <b className="font-semibold">
                {kind === "too-long" ? `It ${SAID[kind][0]}` : `${count} ${SAID[kind][count === 1 ? 0 : 1]}`}
              </b>
              {kind === "too-long" &&
                `: ${sayMinutes(looked.holds.minutes)}, not ${sayMinutes(looked.aimMinutes!)}`}
            </summary>
            <ul className="mt-1 flex flex-col gap-1.5 pb-1 pl-4">
              {byKind.get(kind)!.map((finding) => (
                <One key={`${finding.collection} ${finding.placement}`} finding={finding} {...rest} />
              ))}
              {count > byKind.get(kind)!.length && (
                <li className="text-sm text-quiet">and {count - byKind.get(kind)!.length} more</li>
              )}
            </ul>
          </details>
        );
      })}
    </section>
  );
}

/** What may be handed on, and what only linked to; empty where there is nothing. */
function sayLicences({ yes, link, unknown }: Looked["holds"]["licences"]): string {
  const said = [
    ...(yes ? [`${yes} may be handed on by ${yes === 1 ? "its licence" : "their licences"}`] : []),
    ...(link ? [`${link} may only be linked to`] : []),
    ...(unknown ? [`of ${unknown} no licence is known; links to them are fine`] : []),
  ];
  const whole = said.join(", ");
  return whole && `${whole.charAt(0).toUpperCase()}${whole.slice(1)}.`;
}

type OneProps = { finding: Finding; team: string; doing: Doing };

function One({ mends, ...props }: OneProps & { mends: boolean }) {
  const { finding } = props;
  const { placement, collection, title } = finding;
  const place = placement ? inPlace({ collection, placement }) : `/bench/${collection}`;
  return (
    <li className="flex flex-col items-start gap-1">
      <Link
        href={place}
        className="min-w-0 text-[15px] break-words underline underline-offset-2 hover:text-accent"
      >
        {title}
      </Link>
      {mends && <Mend {...props} />}
    </li>
  );
}

/** What makes it good, in one gesture. */
function Mend({ finding, team, doing }: OneProps) {
  const { kind, placement, resource, collection } = finding;
  const press = (words: string, work: () => Promise<unknown>) => (
    <Button small onClick={() => void doing(work())}>
      {words}
    </Button>
  );
  if (kind === "closed" && !placement)
    return press("Show it to readers", () => call("share.leave-out", { collection, out: false }));
  if (!placement || !resource) return null;
  switch (kind) {
    case "dead":
      return press("Look at it again", () => call("resources.fetch-again", { resource }));
    case "lost":
    case "astray":
      return (
        <Link href={`/team/${team}/links#link-${resource}`} className={buttonLook("line", true)}>
          Mend it
        </Link>
      );
    case "file":
      return (
        <Choice
          label="Its licence"
          hideLabel
          options={[
            ["", "Under which licence is it?"],
            ...CHOICES.map((id) => [id, sayLicence(id)] as const),
          ]}
          value=""
          className="w-full max-w-72"
          onChange={(event) => void doing(call("resources.edit", { resource, licence: event.target.value }))}
        />
      );
    case "private":
      return press("Keep it from readers", () => call("placements.edit", { placement, forReaders: false }));
    case "closed":
    case "twice":
      return press("Take this one out", () => call("placements.remove", { placement }));
    case "no-context":
      return (
        <Write
          label="Why does it stand here?"
          onSave={(context) => doing(call("placements.edit", { placement, context }))}
        />
      );
    case "bare":
      return (
        <Write
          label="What is it called?"
          onSave={(heading) => doing(call("placements.edit", { placement, heading }))}
        />
      );
    case "no-alternative":
      return (
        <Write
          label="What is to be seen on it?"
          onSave={(description) => doing(call("resources.edit", { resource, description }))}
        />
      );
    default:
      return null;
  }
}

/** A line to be written; Enter keeps it. */
function Write({ label, onSave }: { label: string; onSave: (words: string) => Promise<unknown> }) {
  const [words, setWords] = useState("");
  return (
    <form
      className="w-full"
      onSubmit={(event) => {
        event.preventDefault();
        if (words.trim()) void onSave(words.trim());
      }}
    >
      <input
        aria-label={label}
        placeholder={label}
        value={words}
        maxLength={4_000}
        onChange={(event) => setWords(event.target.value)}
        className="h-9 w-full rounded-md border border-edge bg-sheet px-2.5 text-[15px] placeholder:text-quiet"
      />
    </form>
  );
}
