"use client";

import { ChevronDown, Plus, Search } from "lucide-react";
import { useQueryClient } from "@tanstack/react-query";
import dynamic from "next/dynamic";
import Link from "next/link";
import { useRouter } from "next/navigation";
import { useCallback, useEffect, useState } from "react";
import type { Role } from "@/core/policy/abilities";
import { may } from "@/core/policy/abilities";
import { Button } from "../parts/button";
import { Logo } from "../parts/logo";
import { PersonMark } from "../parts/person-mark";
import { Menu, MenuItem, MenuLabel, MenuLine } from "../parts/menu";
import { send } from "../talk/call";
import { deliverFor } from "../talk/deliver";
import { GatherProvider, useGather } from "../gather/gather";
import { isForField } from "./commands";
import { holdLetters } from "./hold-letters";
import type { PaletteCommand } from "./palette";
import { useTypedAhead } from "./use-typed-ahead";
import { useUndo } from "./use-undo";

// Opened by a key now and then: not in the first load, but there before somebody reaches for it.
const loadPalette = () => import("./palette").then((m) => m.Palette);
const Palette = dynamic(loadPalette, { ssr: false });
const ShortcutSheet = dynamic(() => import("./shortcut-sheet").then((m) => m.ShortcutSheet), { ssr: false });

export type Me = { id: string; name: string; email: string; image?: string | null };
export type TeamRow = { id: string; name: string; own: boolean; role: Role };
type Props = {
  me: Me;
  teams: TeamRow[];
  team: TeamRow | null;
  /** What stands after the team's name: the path of the open collection. */
  path?: React.ReactNode;
  onBring?: () => void;
  /** Shows only what goes by some words of what is open. */
  onNarrow?: (words: string) => void;
  commands?: PaletteCommand[];
  children: React.ReactNode;
};

/** The bar at the top of every signed-in screen, the palette, and what works everywhere. */
export function Frame(props: Props) {
  const { team, teams, onBring } = props;
  // Outside of every team it is one's own.
  return (
    <GatherProvider team={team ?? teams.find((one) => one.own) ?? null} own={onBring}>
      <Framed {...props} />
    </GatherProvider>
  );
}

function Framed({ me, teams, team, path, onNarrow, commands = [], children }: Props) {
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
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === "k") setPalette((open) => !open);
      else if (isForField(event) || event.ctrlKey || event.metaKey || event.altKey) return;
      else if (event.key === "/") setPalette(true);
      else if (event.key === "?") setSheet(true);
      else if (event.key.toLowerCase() === "b" && bring && !document.querySelector("[role=dialog]")) {
        holdLetters();
        bring();
      } else return;
      event.preventDefault();
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, [bring]);
  useUndo(team?.id ?? "", () => {
    void client.invalidateQueries();
    router.refresh();
  });
  const places = team ? teamPlaces(team) : [];
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
      <header className="flex h-[52px] shrink-0 items-center gap-3 px-4">
        <Link
          href={team ? `/team/${team.id}` : "/"}
          className="flex items-center gap-2 text-lg font-semibold"
          aria-label="Hobbin, to the Desk"
        >
          <Logo />
          <span className="max-sm:hidden">Hobbin</span>
        </Link>
        <nav aria-label="Where you are" className="flex min-w-0 items-center text-[15px]">
          <Menu
            button={
              <button
                type="button"
                className="flex h-9 min-w-0 items-center gap-1 rounded-md px-2 text-quiet hover:bg-wash hover:text-ink"
              >
                <span className="max-w-40 truncate max-sm:max-w-20">{team?.name ?? "Teams"}</span>
                <ChevronDown size={14} aria-hidden className="shrink-0" />
              </button>
            }
          >
            {places.map(({ words, href }) => (
              <MenuItem key={href} href={href}>
                {words}
              </MenuItem>
            ))}
            {team && <MenuLine />}
            <MenuLabel>Teams</MenuLabel>
            {teams.map((one) => (
              <MenuItem key={one.id} href={`/team/${one.id}`} current={one.id === team?.id}>
                {one.name}
              </MenuItem>
            ))}
            <MenuItem href="/account#teams">New team …</MenuItem>
          </Menu>
          {path}
        </nav>
        <button
          type="button"
          onClick={() => setPalette(true)}
          className="ml-auto flex h-9 items-center gap-2 rounded-md border border-edge bg-sheet px-3 text-[15px] text-quiet hover:text-ink lg:w-64 max-sm:border-0 max-sm:bg-transparent"
        >
          <Search size={16} aria-hidden />
          <span className="max-lg:sr-only">Find anything</span>
        </button>
        {bring && (
          <Button look="accent" onClick={bring} className="h-9! max-sm:px-2.5!">
            <Plus size={16} aria-hidden />
            <span className="max-sm:sr-only">Bring in</span>
          </Button>
        )}
        <Menu
          align="end"
          button={
            <button type="button" aria-label={`${me.name}, account`} className="shrink-0 rounded-full">
              <PersonMark person={me} />
            </button>
          }
        >
          <MenuLabel>{me.name}</MenuLabel>
          <MenuItem href="/account">Account</MenuItem>
          <MenuItem onSelect={() => setSheet(true)} keys="?">
            Keys
          </MenuItem>
          <MenuLine />
          <MenuItem onSelect={signOut}>Sign out</MenuItem>
        </Menu>
      </header>
      {children}
      {palette && (
        <Palette
          open
          onOpenChange={setPalette}
          words={words}
          onWords={setWords}
          team={team?.id ?? null}
          commands={all}
          onNarrow={onNarrow}
        />
      )}
      {sheet && <ShortcutSheet open onOpenChange={setSheet} />}
    </div>
  );
}

function teamPlaces(team: TeamRow): { words: string; href: string }[] {
  return [
    { words: "Desk", href: `/team/${team.id}` },
    { words: "Tray", href: `/team/${team.id}/tray` },
    { words: "Catalogue", href: `/team/${team.id}/catalogue` },
    { words: "Collections", href: `/team/${team.id}/collections` },
    { words: "Tags", href: `/team/${team.id}/tags` },
    { words: "People", href: `/team/${team.id}/people` },
    ...(may(team.role, "bring")
      ? [
          { words: "Imports", href: `/team/${team.id}/imports` },
          { words: "Mail", href: `/team/${team.id}/mail` },
        ]
      : []),
    { words: "Rules", href: `/team/${team.id}/rules` },
    { words: "Likely duplicates", href: `/team/${team.id}/duplicates` },
    ...(may(team.role, "arrange") ? [{ words: "Bin", href: `/team/${team.id}/bin` }] : []),
  ];
}

async function signOut(): Promise<void> {
  await send("/api/auth/sign-out", {}).catch(() => undefined);
  window.location.assign("/sign-in");
}
