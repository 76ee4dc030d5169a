"use client";

import { sayProblem } from "@/core/page/facts";
import { may } from "@/core/policy/abilities";
import type { TeamRow } from "../shell/frame";
import { call } from "../talk/call";
import { sayFailure } from "../talk/say-failure";
import { sayAgo } from "../talk/say-time";
import { type FollowedNow, useFollowing } from "./use-followed";

type Follow = FollowedNow["follows"][number];
type Feed = NonNullable<Follow["feed"]>;

/** What is said of a feed one follows: how it is, and whether what comes goes into the Tray by itself. */
export function FeedState({ follow, team }: { follow: Follow; team: TeamRow }) {
  const { again } = useFollowing(team.id);
  const { feed } = follow;
  const bring = (on: boolean) =>
    call("follows.to-tray", { team: team.id, follow: follow.id, on }).then(again).catch(sayFailure);
  const askNow = () =>
    call("follows.add", { team: team.id, kind: "feed", what: follow.what }).then(again).catch(sayFailure);
  return (
    <>
      <p className="text-sm break-words text-quiet">
        {new URL(follow.what).host}
        {", "}
        {feed?.problem ? <span className="text-stop">{sayFeedProblem(feed.problem)}</span> : stateOf(feed)}
        {feed?.problem && (
          <>
            {" "}
            <button
              type="button"
              className="min-h-6 text-accent hover:underline"
              onClick={() => void askNow()}
            >
              Ask it now
            </button>
          </>
        )}
      </p>
      {may(team.role, "bring") && (
        <label className="mt-1 inline-flex min-h-6 items-center gap-2 text-sm">
          <input
            type="checkbox"
            className="size-4 accent-accent"
            checked={follow.toTray}
            onChange={(event) => void bring(event.target.checked)}
          />
          What comes goes into my Tray by itself
        </label>
      )}
    </>
  );
}

const stateOf = (feed: Feed | null): string =>
  feed?.readAt ? `looked at ${sayAgo(feed.readAt)}` : "is being looked at for the first time";

function sayFeedProblem(problem: NonNullable<Feed["problem"]>): string {
  if (problem === "gone") return "The site says that this feed is gone for good.";
  if (problem === "no-feed") return "What answers there is no feed any more.";
  if (problem === "too-large") return "It is larger than 5 MB, so it was not read.";
  return sayProblem(problem);
}
