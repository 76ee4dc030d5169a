"use client";

import { useRouter } from "next/navigation";
import { useEffect, useState } from "react";
import { reloads } from "@/core/history/verbs";
import type { Answer } from "@/services/registry";
import { sayMinutes } from "@/core/text/minutes";
import { bareLine } from "@/core/imports/brought";
import { sendImport } from "../imports/send-import";
import { Button, buttonLook } from "../parts/button";
import { Empty } from "../parts/empty";
import { KindWord } from "../parts/kind";
import { Frame, type Me, type TeamRow } from "../shell/frame";
import { sayFailure } from "../talk/say-failure";
import { toast } from "../talk/toast";
import { useLive } from "../talk/use-live";
import { noteUse } from "../talk/originals";

type Props = {
  me: Me;
  teams: TeamRow[];
  team: TeamRow;
  resource: Answer<"resources.read">["resource"];
  text: Answer<"resources.text">;
  message: Answer<"messages.of-resource">["message"];
};

const ORIGINS: Record<string, string> = {
  fetched: "as the page was",
  seen: "as somebody of the team saw the page",
  typed: "pasted by hand",
  mail: "as it came by mail",
  file: "taken from the file",
};

/** What may change the words that are read; that they are read does not. */
/** A resource to be read, looked at or listened to in place: its reading copy, its file, its quotation. */
export function ReadRoom({ me, teams, team, resource, text, message }: Props) {
  const { file, html } = text;
  // It counts as used when somebody reads it; when, not who.
  useEffect(() => {
    noteUse(resource.id);
  }, [resource.id]);
  // Its text may still be on its way when one comes here, or be mended by somebody else meanwhile.
  const router = useRouter();
  useLive(team.id, {
    onEvents: (events) =>
      events.some((event) => event.subject === resource.id && reloads(event, "resource")) && router.refresh(),
    onReload: () => router.refresh(),
  });
  const facts = [
    resource.siteName || resource.host,
    resource.authors.slice(0, 3).join(", "),
    resource.published,
    resource.pages && `${resource.pages} ${resource.pages === 1 ? "page" : "pages"}`,
    resource.minutes && sayMinutes(resource.minutes),
  ].filter(Boolean);
  return (
    <Frame me={me} teams={teams} team={team}>
      <main id="main" className="min-h-0 flex-1 overflow-y-auto bg-sheet px-4 pb-24">
        <article className="mx-auto max-w-[68ch] pt-8" lang={resource.language ?? undefined}>
          <header className="border-b border-line pb-5">
            <h1 className="font-serif text-3xl leading-tight font-semibold text-balance break-words">
              {resource.title}
            </h1>
            <p className="mt-2 text-[15px] text-quiet">
              <KindWord kind={resource.kind} /> {facts.map((fact) => ` · ${fact}`)}
            </p>
            <p className="mt-3 flex flex-wrap gap-2">
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
            </p>
          </header>
          {file && <FileInPlace id={resource.id} file={file} title={resource.title} />}
          {resource.kind === "note" && (
            <div className="mt-6 font-serif text-lg leading-relaxed whitespace-pre-line">
              {text.quotation ? (
                <blockquote className="border-l-4 border-note pl-5">{resource.description}</blockquote>
              ) : (
                resource.description
              )}
            </div>
          )}
          {html ? (
            // The one sanitiser has made this: no scripts, no styles, no pictures, no frames.
            <div className="reading mt-6" dangerouslySetInnerHTML={{ __html: html }} />
          ) : (
            !file &&
            resource.kind !== "note" && (
              <Empty title="There is no text to read here">
                <p>
                  Nothing could be read from the page. Open its details on the Bench to fetch it again, or
                  paste its text yourself.
                </p>
              </Empty>
            )
          )}
          {html && text.origin && (
            <p className="mt-10 border-t border-line pt-3 text-sm text-quiet">
              Kept {ORIGINS[text.origin]}, {text.at?.slice(0, 10)}.
            </p>
          )}
        </article>
        {message && message.links.length > 0 && (
          <Links team={team.id} title={resource.title} links={message.links} />
        )}
      </main>
    </Frame>
  );
}

function FileInPlace({
  id,
  file,
  title,
}: {
  id: string;
  file: NonNullable<Props["text"]["file"]>;
  title: string;
}) {
  const src = `/api/file/${id}`;
  if (file.type === "application/pdf")
    // Parameters every viewer knows: the page itself, no list of pages beside it.
    return (
      <iframe
        src={`${src}#navpanes=0&view=FitH`}
        title={title}
        className="mt-6 h-[80vh] w-full rounded-md border border-line"
      />
    );
  if (/^image\/(jpeg|png|gif|webp|avif)$/.test(file.type))
    // eslint-disable-next-line @next/next/no-img-element -- the file itself, as it is kept
    return <img src={src} alt={title} className="mt-6 max-w-full rounded-md" />;
  if (file.type.startsWith("audio/"))
    return <audio controls preload="metadata" src={src} className="mt-6 w-full" aria-label={title} />;
  if (file.type.startsWith("video/"))
    return (
      <video controls preload="metadata" src={src} className="mt-6 w-full rounded-md" aria-label={title} />
    );
  return null;
}

/** The links of a letter, to be picked: none is brought in by itself. */
function Links({
  team,
  title,
  links,
}: {
  team: string;
  title: string;
  links: { address: string; title: string }[];
}) {
  const [picked, setPicked] = useState<Set<string>>(new Set());
  const bring = async () => {
    try {
      const lines = links
        .filter((link) => picked.has(link.address))
        .map((link) => bareLine(link.address, { title: link.title }));
      await sendImport({ team }, `Links of ${title}`.slice(0, 200), {
        places: [],
        lines,
        separator: "comma",
      });
      toast(`${lines.length} ${lines.length === 1 ? "link waits" : "links wait"} in your Tray.`);
      setPicked(new Set());
    } catch (failure) {
      sayFailure(failure);
    }
  };
  return (
    <section
      aria-label="Links in this letter"
      className="mx-auto mt-8 max-w-[68ch] border-t border-line pt-4"
    >
      <h2 className="font-serif text-xl font-semibold">Links in this letter</h2>
      <ul className="my-3">
        {links.map((link) => (
          <li key={link.address} className="py-1">
            <label className="flex items-start gap-2 text-[15px]">
              <input
                type="checkbox"
                className="mt-1 size-4 accent-[var(--accent)]"
                checked={picked.has(link.address)}
                onChange={() =>
                  setPicked((old) => {
                    const next = new Set(old);
                    if (!next.delete(link.address)) next.add(link.address);
                    return next;
                  })
                }
              />
              <span className="min-w-0">
                <span className="block">{link.title || link.address}</span>
                {link.title && <span className="block truncate text-sm text-quiet">{link.address}</span>}
              </span>
            </label>
          </li>
        ))}
      </ul>
      <Button look="accent" disabled={!picked.size} onClick={() => void bring()}>
        {picked.size ? `Bring ${picked.size} into my Tray` : "Tick what to bring in"}
      </Button>
    </section>
  );
}
