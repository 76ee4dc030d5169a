"use client";

import { useRouter } from "next/navigation";
import dynamic from "next/dynamic";
import { useEffect, useMemo, useState } from "react";
import { reloads } from "@/core/history/verbs";
import { EVERYTHING, passing } from "@/core/marks/filter";
import { sayProblem } from "@/core/page/facts";
import { may } from "@/core/policy/abilities";
import { sayKeptPart } from "@/core/text/kept-part";
import { sayMinutes } from "@/core/text/minutes";
import type { Answer } from "@/services/registry";
import { PasteText } from "../bench/item/paste-text";
import { Button, buttonLook } from "../parts/button";
import { KindWord } from "../parts/kind";
import { Frame, type Me, type TeamRow } from "../shell/frame";
import { call } from "../talk/call";
import { noteUse } from "../talk/originals";
import { sayFailure } from "../talk/say-failure";
import { useLive } from "../talk/use-live";
import { AboutIt } from "./about-it";
import { beginContext } from "./begin-context";
import { ComfortMenu } from "./comfort/comfort-menu";
import { Contents } from "./comfort/contents";
import { groundOf } from "./comfort/ground";
import { Hardness } from "./comfort/hardness";
import { usePlace } from "./comfort/use-place";
import { Copies } from "./copies";
import { FileInPlace, fileOf, partsOf, PDF } from "./file-in-place";
import { MarkedCopy } from "./marks/marked-copy";
import { MarkedParts } from "./marks/marked-parts";
import { MarksBar } from "./marks/marks-bar";
import { MarksBelow } from "./marks/marks-below";
import { useChosenMark } from "./marks/use-chosen-mark";
import { type Marks, useMarks } from "./marks/use-marks";
import { SaidContext, useSaid } from "./marks/use-said";
import { TextLinks } from "./text-links";
import { TrayStrip } from "./tray-strip";
import { type GivenText, useWholeText } from "./use-whole-text";
import { useWordsAsked } from "./use-words-asked";
import { WayBack, WayOn } from "./way-on";
import { Played } from "./played";

const MeaningsDialog = dynamic(() => import("./marks/meanings-dialog").then((m) => m.MeaningsDialog), {
  ssr: false,
});

type Props = {
  me: Me;
  marks: Marks;
  reading: Answer<"reading.read">;
  /** What it is in one's Tray. */
  waits: Answer<"tray.of-resource">;
  teams: TeamRow[];
  team: TeamRow;
  text: GivenText;
  message: Answer<"messages.of-resource">["message"];
  /** What it leads to, of a letter or a document. */
  links: Answer<"resources.links">["links"];
} & Answer<"resources.read">;

/** A resource to be read, looked at or listened to in place: its reading copy, its file, its quotation. */
export function ReadRoom({
  me,
  teams,
  team,
  resource,
  places,
  text: given,
  message,
  links,
  marks: first,
  reading,
  waits,
}: Props) {
  /** Whether the pages of a PDF are still to come; they are looked at before its text. */
  const [drawing, setDrawing] = useState(given.file?.type === PDF);
  const text = useWholeText(resource.id, given, drawing);
  const { file, html } = text;
  // It counts as used when somebody reads it; when, not who.
  useEffect(() => {
    if (!drawing) noteUse(resource.id);
  }, [resource.id, drawing]);
  // Its text may still be on its way when one comes here, or be mended by somebody else meanwhile.
  const router = useRouter();
  const marks = useMarks(resource.id, me, first);
  const saidAt = reading.beside ?? places[0] ?? null;
  const said = useSaid(resource.id, saidAt, me, marks);
  const [chosen, choose] = useChosenMark(marks.marks);
  const [filter, setFilter] = useState(EVERYTHING);
  const shown = useMemo(() => passing(marks.marks, filter), [marks.marks, filter]);
  const [naming, setNaming] = useState(false);
  const [comfort, setComfort] = useState(reading.comfort);
  useWordsAsked(!!html, text.whole);
  const at = usePlace(resource.id, !!html && text.whole, reading.was);
  useLive(team.id, {
    onEvents: (events) => {
      const here = events.filter(
        (event) => event.subject === resource.id || event.verb === "meanings.change",
      );
      if (here.some((event) => event.subject === resource.id && reloads(event, "resource"))) router.refresh();
      if (here.some((event) => reloads(event, "marks"))) marks.again();
      if (events.some((event) => reloads(event, "comments"))) said.again();
    },
    onReload: () => {
      router.refresh();
      marks.again();
      said.again();
    },
  });
  const quoteInContext = (words: string) => {
    const { beside } = reading;
    if (beside)
      beginContext({
        team: team.id,
        beside,
        words,
        done: () => router.refresh(),
        go: (path) => router.push(path),
      });
  };
  const site = resource.siteName || resource.host;
  const noText = !html && !file && resource.kind !== "note" && may(team.role, "bring") && (
    <NoText resource={resource} onMended={() => router.refresh()} />
  );
  const facts = [
    site,
    resource.authors
      .filter((name) => name !== site)
      .slice(0, 3)
      .join(", "),
    resource.published,
    resource.pages && `${resource.pages} ${resource.pages === 1 ? "page" : "pages"}`,
    resource.minutes && sayMinutes(resource.minutes),
  ].filter(Boolean);
  return (
    <Frame me={me} teams={teams} team={team} later={drawing}>
      <SaidContext value={said}>
        <main
          id="main"
          className="relative min-h-0 flex-1 overflow-y-auto bg-sheet px-4 pb-24 text-ink lg:pr-[19rem]"
          style={groundOf(comfort.ground)}
        >
          <article
            className="comfort-reading mx-auto pt-8"
            data-size={comfort.size}
            data-width={comfort.width}
            data-space={comfort.space}
            data-face={comfort.face}
            lang={resource.language ?? undefined}
          >
            {reading.beside && <WayBack beside={reading.beside} />}
            <header className="border-b border-line pb-5">
              <h1 className="font-serif text-3xl leading-tight font-semibold text-balance break-words">
                {resource.title}
              </h1>
              <p className="mt-2 text-[15px] text-quiet">
                <KindWord kind={resource.kind} /> {facts.map((fact) => ` · ${fact}`)}
              </p>
              <div className="relative mt-3 flex flex-wrap gap-2">
                {resource.address && (
                  <a
                    className={buttonLook("line", true)}
                    href={resource.address}
                    target="_blank"
                    rel="noreferrer"
                  >
                    Open the original
                  </a>
                )}
                {file && (
                  <a
                    className={buttonLook("line", true)}
                    href={`/api/file/${resource.id}?save`}
                    download={file.name}
                  >
                    Save {file.name}
                  </a>
                )}
                {message && (
                  <a className={buttonLook("quiet", true)} href={`/api/mail/${message.id}`} download>
                    The message as it came
                  </a>
                )}
                {html && <ComfortMenu comfort={comfort} onChange={setComfort} />}
              </div>
            </header>
            {file && resource.fetchProblem && (
              <div className="mt-6 flex flex-wrap items-center gap-3 rounded-md bg-wash px-3 py-2.5 text-[15px]">
                <p className="min-w-60 flex-1">{sayProblem(resource.fetchProblem)}</p>
                {may(team.role, "bring") && (
                  <PasteText resource={resource.id} onDone={() => router.refresh()} />
                )}
              </div>
            )}
            <MarkedParts
              {...{ team, marks, shown, chosen }}
              me={me.id}
              onChoose={choose}
              onDrawn={() => setDrawing(false)}
              parts={partsOf(resource, file)}
              pdf={
                file?.type === PDF
                  ? {
                      source: { src: fileOf(resource.id), bytes: file.bytes },
                      title: resource.title,
                      copy: html ? (text.number ?? 1) : null,
                    }
                  : null
              }
            >
              {file ? <FileInPlace resource={resource} file={file} /> : <Played resource={resource} />}
            </MarkedParts>
            {resource.kind === "note" && (
              <div className="mt-6 font-serif text-lg leading-relaxed whitespace-pre-line">
                {text.quotation ? (
                  <blockquote className="border-l-4 border-note pl-5">{resource.description}</blockquote>
                ) : (
                  resource.description
                )}
              </div>
            )}
            {html && <Contents html={html} whole={text.whole} minutes={resource.minutes} at={at} />}
            {html && <Hardness key={String(text.whole)} html={html} language={resource.language} />}
            <MarksBar
              marks={marks}
              me={me.id}
              filter={filter}
              onFilter={setFilter}
              hasText={!!html}
              onMeanings={() => setNaming(true)}
            />
            {html ? (
              <MarkedCopy
                html={html}
                rest={text.rest}
                whole={text.whole}
                onWhole={text.onWhole}
                version={text.number ?? 1}
                {...{ team, marks, shown, chosen }}
                me={me.id}
                language={resource.language ?? undefined}
                onChoose={choose}
                onContext={reading.beside && may(team.role, "arrange") ? quoteInContext : null}
              />
            ) : (
              // Of what is played a text is not missed.
              !resource.player && noText
            )}
            {text.part && <p className="mt-6 text-[15px] text-quiet">{sayKeptPart(text.part)}</p>}
            {html && text.origin && text.at && (
              <Copies team={team} resource={resource.id} origin={text.origin} at={text.at} />
            )}
            {!team.guest && <TrayStrip key={resource.id} team={team} resource={resource} first={waits} />}
            {reading.beside && <WayOn beside={reading.beside} />}
            <MarksBelow {...{ team, marks, shown, chosen }} me={me.id} onChoose={choose} />
            <AboutIt key={resource.updatedAt} team={team} resource={resource} places={places} />
            {resource.player && noText}
          </article>
          {naming && (
            <MeaningsDialog
              team={team.id}
              edits={may(team.role, "arrange") && !team.guest}
              onOpenChange={setNaming}
              onChanged={marks.again}
            />
          )}
          {links.length > 0 && !team.guest && (
            <TextLinks
              team={team.id}
              title={resource.title}
              of={message ? "letter" : "document"}
              links={links}
            />
          )}
        </main>
      </SaidContext>
    </Frame>
  );
}

/** A text that could not be read can be fetched again, or pasted by hand. */
function NoText({ resource, onMended }: { resource: Props["resource"]; onMended: () => void }) {
  if (resource.fetchState === "waiting") return <p className="mt-6 text-accent">Reading the page …</p>;
  return (
    <div className="mt-6 flex flex-wrap items-center gap-2 text-[15px] text-quiet">
      <p className="w-full">
        {resource.fetchProblem ? sayProblem(resource.fetchProblem) : "No text of it is kept here."}
      </p>
      {resource.address && (
        <Button
          small
          onClick={() =>
            void call("resources.fetch-again", { resource: resource.id }).then(onMended).catch(sayFailure)
          }
        >
          Fetch again
        </Button>
      )}
      <PasteText resource={resource.id} onDone={onMended} />
    </div>
  );
}
