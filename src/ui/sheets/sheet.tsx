"use client";

import { useSyncExternalStore } from "react";
import type { Answer } from "@/services/registry";
import { Button } from "../parts/button";
import { Day } from "../parts/day";
import { Link } from "../parts/link";
import { Progress } from "../parts/progress";
import { sayFailure } from "../talk/say-failure";
import { SheetParts } from "./sheet-parts";
import { useSheet } from "./use-sheet";

/** A handout in the hands of its learner: read, ticked, written in, handed in. Everything is saved as it is done. */
export function SheetPage({
  card,
  handout,
  first,
}: {
  card: string;
  handout: string;
  first: Answer<"sheets.read">;
}) {
  const sheet = useSheet(card, handout, first);
  const { shown } = sheet;
  const isOver = useIsOver(shown.until);
  const items = shown.parts.flatMap((part) => part.sections.flatMap((section) => section.items));
  const toDo = items.filter((item) => item.look === "item" && !item.gone);
  const done = toDo.filter((item) => item.done).length;
  const isOpen = !isOver && !shown.handedInAt;
  return (
    <main id="main" className="mx-auto flex max-w-2xl flex-col gap-6 px-4 pt-6 pb-24">
      <header className="flex flex-col gap-3 border-b border-line pb-4">
        <p className="text-[15px] text-quiet">
          <Link href={`/h/${card}`} className="underline decoration-dotted underline-offset-2">
            {shown.name}
          </Link>{" "}
          · {shown.group}
        </p>
        <h1 className="font-serif text-3xl font-semibold break-words">{shown.title}</h1>
        <Progress done={done} of={toDo.length} words={`${done} of ${toDo.length} done`} />
        {shown.until && (
          <p className="text-[15px] text-quiet">
            {isOver ? "It was to be worked in until " : "To be worked in until "}
            <Day of={shown.until} />
            {isOver && ". What you did is kept; nothing more is written."}
          </p>
        )}
      </header>
      {shown.remark && (
        <section aria-labelledby="said" className="border-l-4 border-accent bg-sheet px-4 py-3">
          <h2 id="said" className="text-sm font-semibold">
            Said to you about it
          </h2>
          <p className="mt-1 font-serif text-[17px] break-words whitespace-pre-wrap">{shown.remark}</p>
        </section>
      )}
      <SheetParts
        parts={shown.parts}
        sheet={isOpen ? sheet : undefined}
        writes={shown.writes}
        files={`/h/${card}/${handout}/f`}
      />
      <footer className="flex flex-wrap items-center gap-3 border-t border-line pt-4">
        {shown.handedInAt ? (
          <>
            <p role="status" className="mr-auto">
              Handed in on <Day of={shown.handedInAt} />.
            </p>
            {!isOver && (
              <Button onClick={() => void sheet.handIn(false).catch(sayFailure)}>
                Take it back and go on
              </Button>
            )}
          </>
        ) : (
          !isOver && (
            <>
              <p className="mr-auto text-[15px] text-quiet">Everything is saved as you do it.</p>
              <Button look="accent" onClick={() => void sheet.handIn(true).catch(sayFailure)}>
                Hand it in
              </Button>
            </>
          )
        )}
      </footer>
    </main>
  );
}

/** Whether the end has come, looked at twice a minute. */
function useIsOver(until: string | Date | null): boolean {
  return useSyncExternalStore(
    (changed) => {
      const timer = setInterval(changed, 30_000);
      return () => clearInterval(timer);
    },
    () => until !== null && new Date(until).getTime() <= Date.now(),
    () => false,
  );
}
