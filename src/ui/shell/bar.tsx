"use client";

import { useQuery } from "@tanstack/react-query";
import { ChevronDown, Menu as Lines, Plus, Search } from "lucide-react";
import { usePathname } from "next/navigation";
import { Fragment } from "react";
import { Button } from "../parts/button";
import { Link } from "../parts/link";
import { Logo } from "../parts/logo";
import { Menu, MenuItem, MenuLabel, MenuLine } from "../parts/menu";
import { PersonMark } from "../parts/person-mark";
import { ask } from "../talk/call";
import { type Place, stageAt, stagesOf, type Waiting, waitingAt } from "./places";
import type { Me, TeamRow } from "./who";

type Props = {
  me: Me;
  teams: TeamRow[];
  team: TeamRow | null;
  /** What somebody came for is still being fetched: what waits is counted after it. */
  later?: boolean;
  onFind: () => void;
  onBring?: () => void;
  onKeys: () => void;
  onSignOut: () => void;
};

const LOOK = "relative flex h-9 items-center gap-1 rounded-md px-2 text-[15px] hover:bg-wash hover:text-ink";

/** The bar at the top: the team, the Desk and the places by stages of the work, finding, bringing in, oneself. */
export function Bar({ me, teams, team, later, onFind, onBring, onKeys, onSignOut }: Props) {
  const path = usePathname();
  const stages = team && !team.guest ? stagesOf(team) : [];
  const waiting = useQuery({
    queryKey: ["tray", team?.id, "waiting"],
    queryFn: () => ask("teams.waiting", { team: team!.id }),
    enabled: !later && !!team && !team.guest,
  });
  const here = stageAt(stages, path);
  const desk = team && !team.guest ? `/team/${team.id}` : "/";
  const isDesk = path === desk;
  return (
    <header className="flex h-[52px] shrink-0 items-center gap-1 px-4">
      <Link
        href={desk}
        className="mr-1 flex items-center gap-2 text-lg font-semibold"
        aria-label="Hobbin, to the Desk"
      >
        <Logo />
        <span className="max-sm:hidden">Hobbin</span>
      </Link>
      <Teams team={team} teams={teams} path={path} />
      {team && (
        <nav aria-label="Places" className="flex items-center gap-x-2.5 max-lg:hidden">
          <Link
            href={desk}
            aria-current={isDesk ? "page" : undefined}
            className={`${LOOK} ${isDesk ? "font-semibold shadow-[inset_0_-3px_0_var(--accent)]" : "text-quiet"}`}
          >
            Desk
            <Beside>
              <Waits count={waiting.data?.addressed ?? 0} most={99} />
            </Beside>
          </Link>
          {stages.map((stage) => (
            <Menu
              key={stage.name}
              button={
                <button
                  type="button"
                  aria-current={here === stage.name ? "true" : undefined}
                  className={`${LOOK} ${here === stage.name ? "font-semibold shadow-[inset_0_-3px_0_var(--accent)]" : "text-quiet"}`}
                >
                  {stage.name}
                  <Beside>
                    <Waits count={waitingAt(stage, waiting.data)} most={99} />
                  </Beside>
                </button>
              }
            >
              <Places places={stage.places} path={path} waiting={waiting.data} />
            </Menu>
          ))}
        </nav>
      )}
      {team && (
        <div className="lg:hidden">
          <Menu
            button={
              <button type="button" aria-label="Places" className={`${LOOK} text-quiet`}>
                <Lines size={18} aria-hidden />
                <span className="max-sm:sr-only">{here ?? "Places"}</span>
                <Beside>
                  <Waits
                    count={stages.reduce((sum, stage) => sum + waitingAt(stage, waiting.data), 0)}
                    most={99}
                  />
                </Beside>
              </button>
            }
          >
            <MenuItem href={desk} current={isDesk}>
              Desk
            </MenuItem>
            {stages.map((stage) => (
              <Fragment key={stage.name}>
                <MenuLabel>{stage.name}</MenuLabel>
                <Places places={stage.places} path={path} waiting={waiting.data} />
              </Fragment>
            ))}
          </Menu>
        </div>
      )}
      <button
        type="button"
        onClick={onFind}
        className="mr-2 ml-auto flex h-9 items-center gap-2 rounded-md border border-edge bg-sheet px-3 text-[15px] text-quiet hover:text-ink max-sm:border-0 max-sm:bg-transparent xl:w-48"
      >
        <Search size={16} aria-hidden />
        <span className="max-xl:sr-only">Find anything</span>
      </button>
      {onBring && (
        <Button look="accent" onClick={onBring} className="mr-2 h-9! max-sm:px-2.5!">
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
        <MenuItem onSelect={onKeys} keys="?">
          Keys
        </MenuItem>
        <MenuLine />
        <MenuItem onSelect={onSignOut}>Sign out</MenuItem>
      </Menu>
    </header>
  );
}

function Teams({ team, teams, path }: Pick<Props, "team" | "teams"> & { path: string }) {
  return (
    <Menu
      button={
        <button type="button" className={`${LOOK} min-w-0 text-quiet`}>
          <span className="max-w-44 truncate max-sm:max-w-24">{team?.name ?? "Teams"}</span>
          <ChevronDown size={14} aria-hidden className="shrink-0" />
        </button>
      }
    >
      <MenuLabel>Teams</MenuLabel>
      {teams.map((one) => (
        <MenuItem key={one.id} href={`/team/${one.id}`} current={one.id === team?.id}>
          {one.name}
        </MenuItem>
      ))}
      <LetInto path={path} />
      <MenuLine />
      <MenuItem href="/account#teams">New team …</MenuItem>
    </Menu>
  );
}

/** The collections of other teams one was let into; asked for when the menu is opened. */
function LetInto({ path }: { path: string }) {
  const { data } = useQuery({ queryKey: ["let-into"], queryFn: () => ask("guests.let-into", {}) });
  if (!data?.collections.length) return null;
  return (
    <>
      <MenuLine />
      <MenuLabel>As a guest</MenuLabel>
      {data.collections.map((one) => (
        <MenuItem key={one.id} href={`/bench/${one.id}`} current={path === `/bench/${one.id}`}>
          {one.title}
        </MenuItem>
      ))}
    </>
  );
}

function Places({
  places,
  path,
  waiting,
}: {
  places: readonly Place[];
  path: string;
  waiting: Waiting | undefined;
}) {
  return places.map(({ words, href, waits }) => (
    <MenuItem key={href} href={href} current={path === href}>
      <span className="flex items-center justify-between gap-4">
        {words}
        <Waits count={(waits && waiting?.[waits]) ?? 0} />
      </span>
    </MenuItem>
  ));
}

/** A number that comes later, or goes, takes no room: nothing beside it moves under the hand. */
const Beside = ({ children }: { children: React.ReactNode }) => (
  <span className="absolute top-0.5 left-full -ml-1.5 text-xs whitespace-nowrap tabular-nums">
    {children}
  </span>
);

/**
 * A number of what waits, where something does.
 * @param most where there is no room for more: what is above that is said to be
 */
const Waits = ({ count, most = Infinity }: { count: number; most?: number }) =>
  count > 0 ? (
    <span className="font-semibold text-accent">
      {count > most ? `${most}+` : count}
      <span className="sr-only"> waiting</span>
    </span>
  ) : null;
