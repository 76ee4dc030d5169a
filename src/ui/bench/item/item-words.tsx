"use client";

import { Fragment } from "react";
import { type Kind, sayProblem, sayProblemShort } from "@/core/page/facts";
import { sayMinutes } from "@/core/text/minutes";
import { Button } from "../../parts/button";
import { KindWord } from "../../parts/kind";
import { useBench } from "../state/bench-context";
import { NewsWord } from "../news/news-word";
import type { Item } from "../state/types";
import { AskedMark } from "./asked-of";
import { TheirsLine } from "./theirs";
import { WeighedWord } from "./weighed-word";
import { TalkMark } from "../talk/talk-mark";

/** What an item is: kind, its own title beneath the curator's sentence, site, length, tags. */
export function ItemSub({ item, plain }: { item: Item; plain?: boolean }) {
  const { resource } = item;
  return (
    <p className="mt-0.5 text-sm leading-relaxed text-quiet">
      <NewsWord item={item.id} behind={<Dot />} />
      <KindWord kind={resource.kind} />
      {item.context && !plain && (
        <>
          <Dot />
          <b className="font-semibold text-ink">{item.heading || resource.title}</b>
        </>
      )}
      <Dot />
      {/* What parts it from the tags stays behind at the end of a line. */}
      <span className="mr-1.5">
        {resource.siteName || resource.host || resource.file || "Kept here"}
        {resource.minutes && (
          <>
            <Dot />
            <span className="whitespace-nowrap">{sayMinutes(resource.minutes)}</span>
          </>
        )}
        {item.look === "item" && <WeighedWord resource={resource.id} before={<Dot />} />}
      </span>{" "}
      {resource.tags.map((tag) => (
        <Fragment key={tag}>
          <span className="mr-1.5 inline-block border-b border-dotted border-quiet last:mr-0 leading-snug">
            {tag}
          </span>{" "}
        </Fragment>
      ))}
    </p>
  );
}

/** What is the matter with an item: it waits, could not be read, or seems to be here twice. */
export function ItemState({ item }: { item: Item }) {
  const { brings, commands } = useBench();
  const { resource } = item;
  return (
    <>
      {!item.forReaders && <NotForReaders />}
      {item.shownLive && <TheirsLine shown={item.shownLive} />}
      <AskedMark item={item} />
      {!item.draft && <TalkMark id={item.id} onOpen={() => commands.toggle(item.id, "talk")} />}
      {resource.duplicateOf && (
        <p className="mt-1 text-sm text-warn">
          It seems to be in the catalogue twice; its details say where.
        </p>
      )}
      {resource.fetchState === "waiting" && (
        <p className="mt-1 text-sm text-accent">{item.pending ? "Bringing in …" : "Reading the page …"}</p>
      )}
      {resource.fetchProblem && (
        <p className="mt-1 flex flex-wrap items-center gap-x-3 gap-y-1 text-sm text-warn">
          {sayProblem(resource.fetchProblem)}{" "}
          {!sayProblemShort(resource.fetchProblem).ofItself && "The address is kept."}
          {brings && !sayProblemShort(resource.fetchProblem).ofItself && (
            <Button
              small
              look="quiet"
              className="h-6! px-2! text-accent!"
              onClick={() => commands.fetchAgain(resource.id)}
            >
              Fetch again
            </Button>
          )}
        </p>
      )}
    </>
  );
}

/** It stands here, and readers do not see it. */
export const NotForReaders = () => <p className="mt-1 text-sm text-quiet italic">Not for readers</p>;

/** Its picture, when it has one. */
export function ItemPicture({ item, className = "" }: { item: Item; className?: string }) {
  const { picture, kind } = item.resource;
  if (!picture) return <span className={className} />;
  return (
    // eslint-disable-next-line @next/next/no-img-element -- kept pictures are small and made to size already
    <img
      src={`/api/pictures/${picture}`}
      alt=""
      width={92}
      height={56}
      loading="lazy"
      draggable={false}
      // What a document is stands at the top of its first page.
      className={`rounded border border-line object-cover ${kind === "document" ? "object-top" : ""} ${className}`}
    />
  );
}

const Dot = () => <span aria-hidden> · </span>;

/** Where what is dragged will come to stand. */
export function LandingMark({ words, upright }: { words: string; upright?: boolean }) {
  if (upright)
    return (
      <div
        className="pointer-events-none absolute inset-y-0 -right-2 z-10 w-[3px] rounded seam"
        data-landing
        aria-hidden
      >
        <span className="absolute top-1/2 left-0 -translate-x-1/2 rounded-full bg-accent px-2.5 py-0.5 text-xs font-semibold whitespace-nowrap text-on-accent">
          {words}
        </span>
      </div>
    );
  return (
    <div
      className="pointer-events-none absolute inset-x-0 bottom-0 z-10 flex translate-y-1/2 items-center"
      data-landing
      aria-hidden
    >
      <span className="stitch ml-10 h-[3px] flex-1" />
      <span className="rounded-full bg-accent px-2.5 py-0.5 text-xs font-semibold text-on-accent">
        {words}
      </span>
    </div>
  );
}

/** What is carried along while dragging. */
export function Carried({ title, kind, count }: { title: string; kind: Kind; count: number }) {
  return (
    <div className="pointer-events-none flex w-72 items-center gap-2 rounded-md border border-accent bg-sheet px-3 py-2 text-[15px] font-semibold shadow-lift">
      <KindWord kind={kind} />
      <span className="min-w-0 flex-1 truncate">{title}</span>
      {count > 1 && <span className="rounded-full bg-accent px-2 text-sm text-on-accent">{count}</span>}
    </div>
  );
}
