"use client";

import { useRef, useState } from "react";
import type { Answer } from "@/services/registry";
import { Button } from "../parts/button";
import { Dialog } from "../parts/dialog";
import { Field } from "../parts/field";
import { ask, call, Refusal } from "../talk/call";
import { whyOf } from "../talk/say-failure";
import { toast } from "../talk/toast";
import { useFollowing } from "./use-followed";

type Found = Answer<"follows.find-feeds">["feeds"];
type Props = { team: string; onClose: () => void };

/** By which a site elsewhere is followed, or all feeds of a list. */
export function FollowSite({ team, onClose }: Props) {
  const { is, set } = useFollowing(team);
  const [typed, setTyped] = useState("");
  const [found, setFound] = useState<Found>();
  const [wrong, setWrong] = useState<string>();
  const [busy, setBusy] = useState(false);
  const look = (event: React.FormEvent) => {
    event.preventDefault();
    setBusy(true);
    setWrong(undefined);
    setFound(undefined);
    ask("follows.find-feeds", { address: typed })
      .then(({ feeds }) => setFound(feeds))
      .catch((refused: unknown) => setWrong(whyOf(refused)))
      .finally(() => setBusy(false));
  };
  return (
    <Dialog
      open
      onOpenChange={(open) => !open && onClose()}
      title="Follow a site"
      about="What a site offers as a feed (Atom, RSS, JSON Feed) is looked through for you: at the most once an hour, and less often where little comes."
    >
      <form className="flex flex-col gap-3" onSubmit={look}>
        <Field
          autoFocus
          label="Address of the site, or of its feed"
          value={typed}
          maxLength={2_000}
          inputMode="url"
          autoComplete="url"
          error={wrong}
          onChange={(event) => setTyped(event.target.value)}
        />
        <Button type="submit" look="accent" className="self-start" disabled={busy || !typed.trim()}>
          {busy ? "Looking …" : "Look for feeds"}
        </Button>
      </form>
      {found?.length === 0 && (
        <p role="status" className="text-[15px]">
          This page names no feed. Another page of the site may, its front page for one.
        </p>
      )}
      {found && found.length > 0 && (
        <ul aria-label="Feeds found" className="divide-y divide-line border-y border-line">
          {found.map(({ address, title, latest }) => (
            <li key={address} className="flex items-start gap-3 py-2.5">
              <div className="min-w-0 flex-1">
                <p className="font-semibold break-words">{title}</p>
                <p className="text-sm break-words text-quiet">
                  {latest.length ? `Latest: ${latest.join(" · ")}` : address}
                </p>
              </div>
              <Button
                small
                aria-label={is("feed", address) ? `Follow ${title} no more` : `Follow ${title}`}
                onClick={() => void set(!is("feed", address), "feed", address, `“${title}”`, title)}
              >
                {is("feed", address) ? "Followed" : "Follow"}
              </Button>
            </li>
          ))}
        </ul>
      )}
      <FollowList team={team} onDone={onClose} />
    </Dialog>
  );
}

/** By which all feeds of a list another reader has saved are followed. */
function FollowList({ team, onDone }: { team: string; onDone: () => void }) {
  const { again } = useFollowing(team);
  const [wrong, setWrong] = useState<string>();
  const [busy, setBusy] = useState(false);
  const file = useRef<HTMLInputElement>(null);
  const add = async (chosen: File | undefined) => {
    if (!chosen) return;
    setWrong(undefined);
    if (chosen.size > 1_000_000) return setWrong("This file is larger than any list of feeds.");
    setBusy(true);
    try {
      const { added, known, left } = await call("follows.add-list", { team, opml: await chosen.text() });
      void again();
      toast(
        [
          added === 1 ? "You follow 1 feed more." : `You follow ${added} feeds more.`,
          known > 0 && `${known} you follow already.`,
          left > 0 && `${left} could not be taken.`,
        ]
          .filter(Boolean)
          .join(" "),
      );
      onDone();
    } catch (refused) {
      setWrong(refused instanceof Refusal ? (refused.fields.opml ?? refused.detail) : whyOf(refused));
    } finally {
      setBusy(false);
      if (file.current) file.current.value = "";
    }
  };
  return (
    <div className="flex flex-col gap-1 border-t border-line pt-3">
      <label className="text-sm font-semibold" htmlFor="feed-list">
        Or a list of feeds from another reader (OPML)
      </label>
      <input
        ref={file}
        id="feed-list"
        type="file"
        accept=".opml,.xml"
        disabled={busy}
        aria-invalid={!!wrong}
        aria-describedby="feed-list-says"
        className="text-[15px] file:mr-3 file:h-9 file:cursor-pointer file:rounded-md file:border file:border-edge file:bg-sheet file:px-3 file:font-semibold"
        onChange={(event) => void add(event.target.files?.[0])}
      />
      <p
        id="feed-list-says"
        role={wrong ? "alert" : undefined}
        className={`text-sm break-words ${wrong ? "text-stop" : "text-quiet"}`}
      >
        {wrong ?? "All in it are followed; those you follow already stay as they are."}
      </p>
    </div>
  );
}
