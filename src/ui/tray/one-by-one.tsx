"use client";

import { useQuery, useQueryClient } from "@tanstack/react-query";
import dynamic from "next/dynamic";
import { useRouter } from "next/navigation";
import { useEffect, useState } from "react";
import { may } from "@/core/policy/abilities";
import { sayMinutes } from "@/core/text/minutes";
import type { Answer } from "@/services/registry";
import { Button } from "../parts/button";
import { Key } from "../parts/key";
import { KEY_BUTTON, KeyButton } from "../parts/key-button";
import { KindWord } from "../parts/kind";
import { Link } from "../parts/link";
import { isForField } from "../shell/commands";
import type { TeamRow } from "../shell/who";
import { placeResources } from "../shell/place-resources";
import { sayDone } from "../shell/use-undo";
import { useWindowKeys } from "../shell/use-window-keys";
import { ask, call } from "../talk/call";
import { openOriginals } from "../talk/originals";
import { sayFailure } from "../talk/say-failure";
import { saySince } from "../talk/say-time";
import { setTray } from "./tray-acts";
import { UseFor } from "./use-for";

const Elsewhere = dynamic(() => import("./place-dialog").then((m) => m.PlaceDialog), { ssr: false });

type Entry = Answer<"tray.read">["entries"][number];
type Props = {
  team: TeamRow;
  entries: readonly Entry[];
  known: readonly string[];
  again: () => void;
  onClose: () => void;
};

const keyOf = (resource: string) => ["tray-suggest", resource];
const suggest = (resource: string) => () => ask("tray.suggest", { resource });
/** What is suggested for the next ones is there before they are. */
const AHEAD = 4;

/** What waits, one thing at a time, large: a key says what becomes of it, and the next one is there. */
export function OneByOne({ team, entries, known, again, onClose }: Props) {
  // What has waited longest comes first. It is gone through as it was when one began.
  const [queue] = useState(() => entries.toReversed());
  const [at, setAt] = useState(0);
  const [asking, setAsking] = useState<"use" | "place" | null>(null);
  const [tags, setTags] = useState<readonly string[]>([]);
  const client = useQueryClient();
  const router = useRouter();
  const entry = queue[at];
  const resource = entry?.resource;
  const { data } = useQuery({
    queryKey: keyOf(resource?.id ?? ""),
    queryFn: suggest(resource?.id ?? ""),
    enabled: !!resource,
    staleTime: 60_000,
  });
  useEffect(() => {
    for (const { resource: next } of queue.slice(at + 1, at + 1 + AHEAD))
      void client.prefetchQuery({ queryKey: keyOf(next.id), queryFn: suggest(next.id), staleTime: 60_000 });
  }, [queue, at, client]);
  const brings = may(team.role, "bring");
  const deletes = may(team.role, "arrange");
  const step = (by: number) => {
    setTags([]);
    setAsking(null);
    setAt((old) => Math.max(0, Math.min(queue.length, old + by)));
  };
  const places = data?.places ?? [];
  const place = (to: { collection: string; title: string }, words?: string) => {
    if (!resource) return;
    if (tags.length) call("tags.add", { resource: resource.id, tags: [...tags] }).catch(sayFailure);
    placeResources({
      team: team.id,
      resources: [resource.id],
      to,
      words,
      done: again,
      go: (path) => router.push(path),
    });
    step(1);
  };
  const set = (state: "away" | "use" | "looked", use?: Parameters<typeof setTray>[4]) => {
    if (resource) setTray(team.id, [resource], state, again, use);
    step(1);
  };
  const remove = () => {
    if (!resource || !deletes) return;
    call("resources.remove", { resource: resource.id })
      .then(({ entry: undo }) => {
        again();
        sayDone("Deleted.", team.id, undo, again);
      })
      .catch(sayFailure);
    step(1);
  };
  useWindowKeys((event) => {
    if (isForField(event) || event.ctrlKey || event.metaKey || event.altKey) return;
    if (document.querySelector("[role=dialog]")) return;
    // On a button Enter and the space bar press it.
    const isButton = event.target instanceof Element && event.target.closest("button, a");
    const key = event.key.toLowerCase();
    if (key === "escape") onClose();
    else if (key === "arrowleft") step(-1);
    else if (!resource) return;
    else if (/^[1-3]$/.test(key) && brings && places[Number(key) - 1]) place(places[Number(key) - 1]!);
    else if (key === "enter" && !isButton && brings && places[0]) place(places[0]);
    else if (key === "m" && brings) setAsking("place");
    else if (key === "u") setAsking("use");
    else if (key === "p") set("away");
    else if (key === "delete") remove();
    else if (key === "arrowright") step(1);
    else if (key === "o") openOriginals([resource]);
    else return;
    event.preventDefault();
  }, asking !== null);
  if (!resource)
    return (
      <div className="flex flex-col items-start gap-3 px-5 py-10">
        <p className="font-serif text-xl font-semibold">
          {queue.length ? "That was all." : "Nothing waits."}
        </p>
        <Button look="accent" autoFocus onClick={onClose}>
          Back to the Tray
        </Button>
      </div>
    );
  const facts = [
    resource.siteName || resource.host,
    resource.minutes && sayMinutes(resource.minutes),
    saySince(entry.since) && `waiting ${saySince(entry.since)}`,
  ].filter(Boolean);
  return (
    <article
      aria-label={`${at + 1} of ${queue.length}: ${resource.title}`}
      className="flex flex-col gap-4 px-5 py-5"
    >
      <div className="flex items-center justify-between text-sm text-quiet">
        <span role="status">
          {at + 1} of {queue.length}
        </span>
        <button type="button" className={KEY_BUTTON} onClick={onClose}>
          <Key>Esc</Key> back to the list
        </button>
      </div>
      <div className="flex min-h-56 flex-col gap-2">
        <p className="text-[15px] text-quiet">
          <KindWord kind={resource.kind} /> {facts.map((fact) => ` · ${fact}`)}
        </p>
        <h2 className="font-serif text-3xl leading-tight font-semibold break-words">{resource.title}</h2>
        <p className="line-clamp-4 font-serif text-lg leading-relaxed text-quiet">{resource.description}</p>
      </div>
      {brings && (
        <div className="flex flex-col gap-1.5">
          {places.map((one, i) => (
            <Button
              key={one.collection}
              look={i ? "line" : "accent"}
              className="w-full justify-start! text-left"
              onClick={() => place(one)}
            >
              <Key>{i ? i + 1 : "Enter"}</Key>
              <span className="min-w-0 flex-1 truncate">{one.title}</span>
              <span className="text-sm font-normal max-sm:sr-only">
                {one.why === "site" ? "its site goes there" : "things like it stand there"}
              </span>
            </Button>
          ))}
          {data && !places.length && (
            <p className="text-[15px] text-quiet">Nothing like it stands anywhere yet.</p>
          )}
          {(data?.tags.length ?? 0) > 0 && (
            <p className="flex flex-wrap items-center gap-1.5 text-sm text-quiet">
              Tagged with
              {data!.tags.map((tag) => (
                <button
                  key={tag}
                  type="button"
                  aria-pressed={tags.includes(tag)}
                  onClick={() =>
                    setTags((old) => (old.includes(tag) ? old.filter((one) => one !== tag) : [...old, tag]))
                  }
                  className={`rounded border px-2 py-0.5 ${tags.includes(tag) ? "border-accent bg-wash text-ink" : "border-edge"}`}
                >
                  {tag}
                </button>
              ))}
            </p>
          )}
        </div>
      )}
      <div className="flex flex-wrap gap-x-2 gap-y-1 border-t border-line pt-3">
        {brings && (
          <KeyButton keys="M" onClick={() => setAsking("place")}>
            place elsewhere
          </KeyButton>
        )}
        <KeyButton keys="U" onClick={() => setAsking("use")}>
          still to use
        </KeyButton>
        <KeyButton keys="P" onClick={() => set("away")}>
          put away
        </KeyButton>
        {deletes && (
          <KeyButton keys="Del" onClick={remove}>
            delete
          </KeyButton>
        )}
        <KeyButton keys="O" onClick={() => openOriginals([resource])}>
          open
        </KeyButton>
        <Link href={`/read/${resource.id}`} className={KEY_BUTTON}>
          read here
        </Link>
        <KeyButton keys="→" onClick={() => step(1)}>
          leave it
        </KeyButton>
      </div>
      {asking === "use" && (
        <UseFor
          team={team.id}
          title={`Still to use: ${resource.title}`}
          known={known}
          onPick={(use) => set("use", use)}
          onClose={() => setAsking(null)}
        />
      )}
      {asking === "place" && (
        <Elsewhere team={team} titles={[resource.title]} onClose={() => setAsking(null)} onPick={place} />
      )}
    </article>
  );
}
