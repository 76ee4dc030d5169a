"use client";

import { useRouter } from "next/navigation";
import { useEffect, useRef, useState } from "react";
import { may } from "@/core/policy/abilities";
import type { Answer } from "@/services/registry";
import { SaveAs } from "../export/save-as";
import { Button } from "../parts/button";
import { Day } from "../parts/day";
import { Link } from "../parts/link";
import { Crumb } from "../shell/crumb";
import { Frame, type Me, type TeamRow } from "../shell/frame";
import { call } from "../talk/call";
import { copyComing } from "../talk/copy-link";
import { sayFailure } from "../talk/say-failure";
import { AddressApart } from "./address-apart";
import { BeforeItGoes } from "./before-it-goes";
import { Editions } from "./editions";
import { Elsewhere } from "./elsewhere";
import { ForReaders } from "./for-readers";
import { Hidden } from "./hidden";
import { ReadersSaid } from "./readers-said";
import { HandOn } from "./hand-on";
import { LeftOut } from "./left-out";
import { Preview } from "./preview";
import { newestOf, type Shared, usePublish } from "./use-publish";
import { WhoSees } from "./who-sees";

type Props = {
  me: Me;
  teams: TeamRow[];
  team: TeamRow;
  collection: Answer<"collections.read">["collection"];
  shared: Shared;
  address: string;
  preview: string;
};

/** Who sees the collection, what they see, and how it is handed on. Two gestures: to come here, and the one button. */
export function Publish({ me, teams, team, collection, shared: first, address, preview }: Props) {
  const state = usePublish(team.id, collection.id, first);
  const { editions, shared, wish, looked, doing, isOut, isOther } = state;
  const router = useRouter();
  const [view, setView] = useState(collection.view);
  const [done, setDone] = useState("");
  const main = useRef<HTMLButtonElement>(null);
  const publishes = may(team.role, "publish");
  useEffect(() => main.current?.focus(), []);

  const act = async () => {
    setDone("");
    const stops = wish.audience === "team";
    const coming = state.publish();
    // The clipboard waits for it; what went wrong is said once, below.
    const copied = stops
      ? Promise.resolve(false)
      : copyComing(coming.then((code) => code && `${address}/c/${code}`));
    try {
      await coming;
      const isCopied = await copied;
      setDone(
        stops
          ? "Nobody outside the team can open it any more."
          : isCopied
            ? `${isOther ? "Shared. " : ""}The address is in your clipboard.`
            : "Shared. The address stands below, to be copied.",
      );
    } catch (error) {
      sayFailure(error);
    }
  };
  const given = isOut && editions?.shows === "edition" ? newestOf(editions)?.number : undefined;
  const words =
    wish.audience === "team"
      ? "Stop sharing"
      : isOut
        ? isOther
          ? "Change it and copy the address"
          : "Copy the address"
        : "Share and copy the address";
  return (
    <Frame me={me} teams={teams} team={team}>
      <main
        id="main"
        className="grid min-h-0 flex-1 gap-x-3 overflow-y-auto px-3 pb-3 lg:grid-cols-[420px_minmax(0,1fr)] lg:overflow-hidden"
      >
        <div className="flex flex-col gap-5 px-3 pt-3 pb-6 lg:overflow-y-auto lg:scrolls">
          <div>
            <Crumb href={`/bench/${collection.id}`}>{collection.title}</Crumb>
            <h1 className="font-serif text-2xl font-semibold">Publish: {collection.title}</h1>
          </div>
          {shared.hidden && (
            <Hidden
              collection={collection.id}
              hidden={shared.hidden}
              publishes={publishes}
              onDone={() => void state.again()}
            />
          )}
          {shared.through && (
            <Through
              shared={shared}
              onLeaveOut={(out) => void doing(call("share.leave-out", { collection: collection.id, out }))}
              publishes={publishes}
            />
          )}
          <WhoSees
            wish={wish}
            onWish={(next) => {
              // What was said is about what was done, and no word on what is wished now.
              setDone("");
              state.setWish(next);
            }}
            looked={looked}
            disabled={!publishes || shared.hidden !== null}
          />
          {publishes && wish.audience !== "team" && wish.reach === "all" && !!looked?.inside.length && (
            <LeftOut
              inside={looked.inside}
              top={collection.id}
              onLeaveOut={(id, out) => doing(call("share.leave-out", { collection: id, out }))}
            />
          )}
          {shared.hidden ? (
            <p className="text-quiet">Who else sees it is decided here again once they show it.</p>
          ) : publishes ? (
            <div className="flex flex-col gap-1.5">
              <Button
                ref={main}
                look={wish.audience === "team" ? "stop" : "accent"}
                disabled={wish.audience === "team" && !isOut}
                onClick={() => void act()}
                className="w-full"
              >
                {words}
              </Button>
              <p role="status" className="min-h-6 text-[15px] text-quiet">
                {done || <SayNow {...shared} />}
              </p>
            </div>
          ) : (
            <p className="text-quiet">Editors and owners of the team decide this.</p>
          )}
          {shared.code && (
            <HandOn
              title={collection.title}
              home={address}
              shared={{ ...shared, code: shared.code }}
              onCode={(until) => void doing(call("codes.make", { collection: collection.id, until }))}
              onEnd={() => void doing(call("codes.end", { collection: collection.id }))}
            />
          )}
          {looked && <BeforeItGoes looked={looked} team={team.id} doing={doing} mends={publishes} />}
          <Editions
            collection={collection.id}
            all={editions}
            link={shared.code && `${address}/c/${shared.code}`}
            publishes={publishes}
            doing={doing}
          />
          <ReadersSaid collection={collection.id} puts={publishes} />
          {shared.code && <Elsewhere title={collection.title} link={`${address}/c/${shared.code}`} />}
          <ForReaders
            collection={collection.id}
            values={{ ...collection, view }}
            disabled={!publishes}
            onView={(next) => {
              setView(next);
              void doing(call("share.set", { collection: collection.id, view: next }));
            }}
            onSaved={() => {
              void state.again();
              router.refresh();
            }}
          />
          <section aria-label="Files" className="flex flex-col gap-3">
            <h2 className="text-sm font-semibold">Save as a file</h2>
            <SaveAs team={team.id} collection={collection.id} />
          </section>
          {publishes && isOut && (
            <AddressApart
              isReplaced={shared.isReplaced}
              onReplace={() => doing(call("share.renew", { collection: collection.id }))}
              onTakeBack={() => doing(call("share.take-back", { collection: collection.id }))}
            />
          )}
        </div>
        <Preview
          address={preview}
          wish={wish}
          view={view}
          drawn={state.drawn}
          edition={given}
          words={sayPreview(isOut, isOther, wish.audience === "team", given)}
        />
      </main>
    </Frame>
  );
}

/** What stands over the page as readers see it. */
function sayPreview(isOut: boolean, isOther: boolean, closes: boolean, edition?: number): string {
  if (edition !== undefined && !closes) return `As readers see it: edition ${edition}`;
  if (isOut && !isOther) return "As readers see it";
  if (isOut && closes) return "As readers see it, until you stop sharing";
  return "As readers would see it. Nothing of it is so yet.";
}

/** For whom it is now, before anything is done. */
function SayNow({ audience, until }: Shared) {
  if (audience === "team") return "Now only the team sees it.";
  return (
    <>
      Now {audience === "public" ? "everybody sees it" : "whoever has the address sees it"}
      {until && (
        <>
          , until <Day of={until} />
        </>
      )}
      .
    </>
  );
}

/** It is out already, as a part of what it stands in. */
function Through({
  shared,
  onLeaveOut,
  publishes,
}: {
  shared: Shared;
  onLeaveOut: (out: boolean) => void;
  publishes: boolean;
}) {
  const { through, leftOut } = shared;
  return (
    <p className="rounded-md bg-wash px-3 py-2.5 text-[15px]">
      {leftOut ? "Left out of what readers see of " : "Readers see it in "}
      <Link
        href={`/publish/${through!.id}`}
        className="font-semibold text-accent underline underline-offset-2"
      >
        {through!.title}
      </Link>
      {leftOut ? ". " : ", by the address of that. "}
      {publishes && (
        <button
          type="button"
          onClick={() => onLeaveOut(!leftOut)}
          className="rounded-sm text-accent underline underline-offset-2"
        >
          {leftOut ? "Show it there" : "Leave it out there"}
        </button>
      )}
    </p>
  );
}
