"use client";

import { Button } from "../parts/button";
import { Menu, MenuItem } from "../parts/menu";
import { useFollowing } from "./use-followed";

type Listed = { id: string; title: string; team: string; teamName: string };

/** By which a public collection, or all that its team makes public, is followed. */
export function FollowMenu({ one, team }: { one: Listed; team: string }) {
  const { is, set } = useFollowing(team);
  const isHere = is("collection", one.id);
  const isTeam = is("team", one.team);
  return (
    <Menu
      align="end"
      button={
        <Button small look="quiet" aria-label={`Follow ${one.title}`}>
          {isHere || isTeam ? "Followed" : "Follow"}
        </Button>
      }
    >
      <MenuItem onSelect={() => void set(!isHere, "collection", one.id, `“${one.title}”`)}>
        {isHere ? "Follow this collection no more" : "What comes into this collection"}
      </MenuItem>
      <MenuItem onSelect={() => void set(!isTeam, "team", one.team, one.teamName)}>
        {isTeam ? `Follow ${one.teamName} no more` : `What ${one.teamName} makes public`}
      </MenuItem>
    </Menu>
  );
}

/** By which a subject, or what words find, is followed. */
export function FollowThis({ team, kind, what }: { team: string; kind: "subject" | "search"; what: string }) {
  const { is, set } = useFollowing(team);
  const isFollowed = is(kind, what);
  const name = kind === "subject" ? `the subject “${what}”` : `what “${what}” finds`;
  return (
    <Button small look="quiet" onClick={() => void set(!isFollowed, kind, what, name)}>
      {isFollowed ? `Follow ${name} no more` : `Follow ${name}`}
    </Button>
  );
}
