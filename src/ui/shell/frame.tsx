"use client";

import { useQueryClient } from "@tanstack/react-query";
import dynamic from "next/dynamic";
import { useRouter } from "next/navigation";
import { useCallback, useEffect, useState } from "react";
import { send } from "../talk/call";
import { deliverFor } from "../talk/deliver";
import { GatherProvider, useGather } from "../gather/gather";
import { Bar } from "./bar";
import { isForField } from "./commands";
import type { PaletteCommand } from "./palette";
import { stagesOf } from "./places";
import { useTypedAhead } from "./use-typed-ahead";
import { useUndo } from "./use-undo";
import { useWindowKeys } from "./use-window-keys";
import type { Me, TeamRow } from "./who";

// Opened by a key now and then: not in the first load, but there before somebody reaches for it.
const loadPalette = () => import("./palette").then((m) => m.Palette);
const Palette = dynamic(loadPalette, { ssr: false });
const ShortcutSheet = dynamic(() => import("./shortcut-sheet").then((m) => m.ShortcutSheet), { ssr: false });

export type { Me, TeamRow };
type Props = {
  me: Me;
  teams: TeamRow[];
  team: TeamRow | null;
  /** What somebody came for is still being fetched; what is not seen at once waits for it. */
  later?: boolean;
  onBring?: () => void;
  /** Shows only what goes by some words of what is open. */
  onNarrow?: (words: string) => void;
  commands?: PaletteCommand[];
  children: React.ReactNode;
};

/** The bar at the top of every signed-in screen, the palette, and what works everywhere. */
export function Frame(props: Props) {
  const { team, teams, onBring } = props;
  // Outside of every team it is one's own; a guest brings in on the Bench alone.
  return (
    <GatherProvider
      team={(team?.guest && !onBring ? null : team) ?? teams.find((one) => one.own) ?? null}
      own={onBring}
    >
      <Framed {...props} />
    </GatherProvider>
  );
}

function Framed({ me, teams, team, later, onNarrow, commands = [], children }: Props) {
  const { bring, file, make } = useGather();
  const client = useQueryClient();
  const router = useRouter();
  const [palette, setPalette] = useState(false);
  const [sheet, setSheet] = useState(false);
  const [words, setWords] = useTypedAhead(
    palette,
    useCallback(() => setPalette(false), []),
  );
  useEffect(() => deliverFor(me.id), [me.id]);
  useEffect(() => {
    const timer = setTimeout(() => void loadPalette(), 1_000);
    return () => clearTimeout(timer);
  }, []);
  useWindowKeys((event) => {
    if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === "k") setPalette((open) => !open);
    else if (isForField(event) || event.ctrlKey || event.metaKey || event.altKey) return;
    else if (event.key === "/") setPalette(true);
    else if (event.key === "?") setSheet(true);
    else if (event.key.toLowerCase() === "b" && bring && !document.querySelector("[role=dialog]")) {
      bring();
    } else return;
    event.preventDefault();
  });
  useUndo((team ?? teams.find((one) => one.own))?.id ?? "", () => {
    void client.invalidateQueries();
    router.refresh();
  });
  const places =
    team && !team.guest
      ? [{ words: "Desk", href: `/team/${team.id}` }, ...stagesOf(team).flatMap((stage) => stage.places)]
      : [{ words: "Desk", href: "/" }];
  const all: PaletteCommand[] = [
    ...commands,
    ...(bring ? [{ words: "Bring in an address", run: bring }] : []),
    ...(file ? [{ words: "Bring in a file of links", run: file }] : []),
    ...(make && !commands.some((one) => one.words === "Make a collection")
      ? [{ words: "Make a collection", run: make }]
      : []),
    ...places.map(({ words, href }) => ({ words, run: () => router.push(href) })),
    ...teams
      .filter((one) => one.id !== team?.id)
      .map((one) => ({ words: `Go to ${one.name}`, run: () => router.push(`/team/${one.id}`) })),
    { words: "Account", run: () => router.push("/account") },
    { words: "Show all keys", run: () => setSheet(true) },
    { words: "Sign out", run: signOut },
  ];
  return (
    <div className="flex h-dvh flex-col">
      <a
        href="#main"
        className="sr-only focus:not-sr-only focus:absolute focus:z-50 focus:bg-sheet focus:p-2"
      >
        Skip to the contents
      </a>
      <Bar
        {...{ me, teams, team, later }}
        onFind={() => setPalette(true)}
        onBring={bring}
        onKeys={() => setSheet(true)}
        onSignOut={signOut}
      />
      {children}
      {palette && (
        <Palette
          open
          onOpenChange={setPalette}
          words={words}
          onWords={setWords}
          team={team?.id ?? null}
          finds={!team?.guest}
          commands={all}
          onNarrow={onNarrow}
        />
      )}
      {sheet && <ShortcutSheet open onOpenChange={setSheet} />}
    </div>
  );
}

async function signOut(): Promise<void> {
  await send("/api/auth/sign-out", {}).catch(() => undefined);
  window.location.assign("/sign-in");
}
