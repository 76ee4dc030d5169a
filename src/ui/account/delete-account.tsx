"use client";

import { useState } from "react";
import type { Answer } from "@/services/registry";
import { Button } from "../parts/button";
import { Dialog } from "../parts/dialog";
import { Field } from "../parts/field";
import { ask, call } from "../talk/call";
import { sayAtField, sayFailure } from "../talk/say-failure";
import { WithName } from "./with-name";

type Becoming = Answer<"people.what-becomes">;

/** Deleting the account: what stays and what goes is said before anything is asked. */
export function DeleteAccount() {
  const [becoming, setBecoming] = useState<Becoming | null>(null);
  const look = () => void ask("people.what-becomes", {}).then(setBecoming).catch(sayFailure);
  return (
    <>
      <Button look="stop" onClick={look} className="self-start">
        Delete my account …
      </Button>
      {becoming && <Asked becoming={becoming} onClose={() => setBecoming(null)} />}
    </>
  );
}

type Team = Becoming["teams"][number];

function Asked({ becoming: { teams, guestOf }, onClose }: { becoming: Becoming; onClose: () => void }) {
  const [withName, setWithName] = useState(true);
  const [password, setPassword] = useState("");
  const [error, setError] = useState("");
  const [busy, setBusy] = useState(false);
  const of = (what: Team["becomes"]) => teams.filter(({ becomes }) => becomes === what);
  const [going, staying, ownerless] = [of("goes"), of("stays"), of("needs an owner")];
  const remove = () => {
    if (!password) return setError("Give your password.");
    setBusy(true);
    call("people.delete", { password, withName })
      .then(() => window.location.assign("/sign-in"))
      .catch((failure: unknown) => {
        setBusy(false);
        sayAtField("password", setError)(failure);
      });
  };
  const stays = staying.length > 0 || guestOf > 0;
  return (
    <Dialog open wide onOpenChange={(on) => !on && onClose()} title="Delete your account?">
      {ownerless.length > 0 ? (
        <>
          <p>Nobody else owns these. Make somebody an owner there first; then come back.</p>
          <Teams teams={ownerless} says={({ members }) => `${members - 1} more in it`} way="people" />
          <div className="flex justify-end">
            <Button onClick={onClose}>Close</Button>
          </div>
        </>
      ) : (
        <form
          noValidate
          className="flex flex-col gap-5"
          onSubmit={(event) => {
            event.preventDefault();
            remove();
          }}
        >
          <div>
            <h3 className="font-semibold">This goes, for good</h3>
            <p className="text-[15px] text-quiet">
              Your Tray, the marks and notes only you see, saved searches, tokens and mail addresses; and what
              nobody else is in:
            </p>
            <Teams teams={going} says={howMuch} way="archive" />
          </div>
          {stays && (
            <div>
              <h3 className="font-semibold">This stays</h3>
              <Teams teams={staying} says={({ members }) => `${members - 1} more in it`} />
              {guestOf > 0 && (
                <p className="mt-2 text-[15px] text-quiet">
                  What you made in {guestOf === 1 ? "a collection" : `${guestOf} collections`} as a guest.
                </p>
              )}
            </div>
          )}
          {stays && (
            <WithName
              withName={withName}
              onChange={setWithName}
              without="Nothing says any more who made it, anywhere."
            />
          )}
          <Field
            label="Your password"
            type="password"
            autoComplete="current-password"
            value={password}
            error={error}
            className="max-w-72"
            onChange={(event) => (setPassword(event.target.value), setError(""))}
          />
          <div className="flex justify-end gap-2">
            <Button look="quiet" onClick={onClose}>
              Keep it
            </Button>
            <Button type="submit" look="stop" disabled={busy}>
              Delete it for good
            </Button>
          </div>
        </form>
      )}
    </Dialog>
  );
}

const many = (count: number, one: string) => `${count} ${one}${count === 1 ? "" : "s"}`;
const howMuch = ({ collections, things }: Team) =>
  things + collections === 0 ? "empty" : `${many(collections, "collection")}, ${many(things, "thing")}`;

type Listed = { teams: Team[]; says: (team: Team) => string; way?: "archive" | "people" };

function Teams({ teams, says, way }: Listed) {
  if (!teams.length) return null;
  return (
    <ul className="mt-1">
      {teams.map((team) => (
        <li key={team.id} className="flex flex-wrap items-baseline gap-x-3 border-b border-line py-1.5">
          <span className="font-semibold break-words">{team.name}</span>
          <span className="text-sm text-quiet">{says(team)}</span>
          {way === "archive" && team.things + team.collections > 0 && (
            <a href={`/api/archive/${team.id}`} download className="ml-auto text-accent underline">
              Take it along first
            </a>
          )}
          {way === "people" && (
            <a href={`/team/${team.id}/people`} className="ml-auto text-accent underline">
              Make somebody an owner
            </a>
          )}
        </li>
      ))}
    </ul>
  );
}
