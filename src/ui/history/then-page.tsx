"use client";

import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useRouter } from "next/navigation";
import { useRef } from "react";
import type { Since } from "@/core/history/then";
import { groupBy } from "@/core/list/group-by";
import { may } from "@/core/policy/abilities";
import type { Answer } from "@/services/registry";
import { Button } from "../parts/button";
import { Words } from "../parts/words";
import { Crumb } from "../shell/crumb";
import { Frame, type Me, type TeamRow } from "../shell/frame";
import { sayDone } from "../shell/use-undo";
import { ask, call } from "../talk/call";
import { sayFailure } from "../talk/say-failure";
import { dayIn, timeIn, useZone } from "./zone";

type Then = Answer<"collections.then">;
type Item = Then["items"][number];
type Props = {
  me: Me;
  teams: TeamRow[];
  team: TeamRow;
  collection: Answer<"collections.read">["collection"];
  event: string;
  first: Then;
};

const SINCE: Record<Exclude<Since, "same">, string> = {
  gone: "Not in it any more",
  words: "Other words since",
  moved: "Stands elsewhere since",
};

/** A collection as it was after something had happened, what became of each item since, and the way back to it. */
export function ThenPage({ me, teams, team, collection, event, first }: Props) {
  const { id, title } = collection;
  const zone = useZone();
  const said = useRef<HTMLParagraphElement>(null);
  const client = useQueryClient();
  const router = useRouter();
  const { data: then } = useQuery({
    queryKey: ["then", id, event],
    queryFn: () => ask("collections.then", { collection: id, event }),
    initialData: first,
  });
  const again = () => {
    void client.invalidateQueries({ queryKey: ["then", id, event] });
    router.refresh();
  };
  const mayPutBack = may(collection.role, "arrange") && !collection.guest;
  const putBack = (items?: Item[]) =>
    void call("collections.put-back", {
      ...{ collection: id, event },
      ...(items && { placements: items.map((item) => item.id) }),
    })
      .then(({ elsewhere, lost, entry }) => {
        again();
        // The button that was pressed may be gone.
        said.current?.focus();
        const left = [
          elsewhere &&
            `${elsewhere} ${elsewhere === 1 ? "stands" : "stand"} in another collection and stayed there.`,
          lost && `${lost} ${lost === 1 ? "is" : "are"} gone for good.`,
        ].filter(Boolean);
        const done = items ? `Put back: ${items[0]!.heading || items[0]!.title}.` : "It is as it was then.";
        sayDone([done, ...left].join(" "), team.id, entry, again);
      })
      .catch(sayFailure);
  const changes = then.items.filter((item) => item.since !== "same").length;
  const isSame = !changes && !then.came && !then.changed;
  const bySection = groupBy(then.items, (item) => item.section ?? "");
  const when = `${dayIn(then.at, zone)}, ${timeIn(then.at, zone)}`;
  return (
    <Frame me={me} teams={teams} team={team}>
      <main id="main" className="min-h-0 flex-1 overflow-y-auto px-4 pb-16">
        <div className="mx-auto flex max-w-3xl flex-col gap-6 pt-6">
          <header className="flex flex-col gap-3">
            <Crumb href={`/bench/${id}/history`}>What happened in {title}</Crumb>
            <h1 className="font-serif text-3xl font-semibold break-words">{then.title}</h1>
            <Words rich={then.rich} plain={then.description} className="text-quiet" />
            <div className="flex flex-wrap items-center gap-x-4 gap-y-2 border-y border-line py-3">
              <p ref={said} tabIndex={-1} className="min-w-60 flex-1">
                <b className="font-semibold">As it was on {when}.</b>{" "}
                <span className="text-quiet">
                  {isSame ? "It is the same today." : sayChanges(changes, then)}
                </span>
              </p>
              {mayPutBack && !isSame && (
                <Button look="accent" onClick={() => putBack()}>
                  Put it all back so
                </Button>
              )}
            </div>
          </header>
          {then.items.length === 0 && <p className="text-quiet">There was nothing in it.</p>}
          {[{ id: "", title: "", intro: "" }, ...then.sections].map((section) => {
            const items = bySection.get(section.id) ?? [];
            if (!items.length && !section.title) return null;
            return (
              <section key={section.id} aria-label={section.title || "Without a section"}>
                {section.title && (
                  <h2 className="border-b border-line pb-1.5 font-serif text-xl font-semibold">
                    {section.title}
                  </h2>
                )}
                {section.intro && <Words rich={section.intro} className="pt-2 text-quiet" />}
                <ol>
                  {items.map((item) => (
                    <ThenItem
                      key={item.id}
                      item={item}
                      onPutBack={mayPutBack ? () => putBack([item]) : undefined}
                    />
                  ))}
                </ol>
              </section>
            );
          })}
        </div>
      </main>
    </Frame>
  );
}

function ThenItem({ item, onPutBack }: { item: Item; onPutBack?: () => void }) {
  const { heading, title, context, since } = item;
  const name = heading || title;
  return (
    <li className="flex flex-wrap items-baseline gap-x-4 gap-y-1 border-b border-line py-2.5">
      <div className="min-w-0 flex-1 basis-60">
        <p className={`break-words ${item.look === "text" ? "" : "font-semibold"}`}>{name}</p>
        {heading && <p className="text-sm break-words text-quiet">{title}</p>}
        {context && <p className="font-serif break-words">{context}</p>}
      </div>
      {since !== "same" && (
        <p className="flex items-center gap-2 text-sm text-quiet">
          {SINCE[since]}
          {onPutBack && since !== "moved" && (
            <Button small look="quiet" aria-label={`Put back: ${name}`} onClick={onPutBack}>
              Put back
            </Button>
          )}
        </p>
      )}
    </li>
  );
}

/** What is otherwise today, in a sentence. */
function sayChanges(changes: number, { came, changed }: Then): string {
  const all = [
    changes > 0 && `${changes} of these ${changes === 1 ? "is" : "are"} otherwise today`,
    came > 0 && `${came} ${came === 1 ? "has" : "have"} come since`,
    changed && "what it says of itself is otherwise",
  ].filter((one) => typeof one === "string");
  const words = all.join(", ");
  return `${words.charAt(0).toUpperCase()}${words.slice(1)}.`;
}
