"use client";

import { useState } from "react";
import { may } from "@/core/policy/abilities";
import { sayMinutes } from "@/core/text/minutes";
import { Button, buttonLook } from "../parts/button";
import { Empty } from "../parts/empty";
import { KindMark } from "../parts/kind";
import { Link } from "../parts/link";
import { Frame, type Me, type TeamRow } from "../shell/frame";
import { ListedCard } from "../shelves/listed-card";
import { ask, call } from "../talk/call";
import { saveFile } from "../talk/save-file";
import { sayFailure } from "../talk/say-failure";
import { sayAgo } from "../talk/say-time";
import { toast } from "../talk/toast";
import { FeedState } from "./feed-state";
import { FollowSite } from "./follow-site";
import { type FollowedNow, useFollowed, useFollowing } from "./use-followed";

type Props = { me: Me; teams: TeamRow[]; team: TeamRow; first: FollowedNow };
type Follow = FollowedNow["follows"][number];
type News = FollowedNow["news"][number];

const KIND_SAYS: Record<Follow["kind"], string> = {
  collection: "A collection",
  team: "What a team makes public",
  person: "What a person has a hand in",
  subject: "A subject",
  search: "What words find",
  feed: "A feed",
};

/** What is new in what one follows, of what is public here and from elsewhere, and all that one follows. */
export function FollowedPage({ me, teams, team, first }: Props) {
  const { data = first } = useFollowed(team.id, first);
  const { set, again } = useFollowing(team.id);
  const { follows, news } = data;
  const [adding, setAdding] = useState(false);
  const save = () =>
    ask("follows.list", { team: team.id })
      .then(({ opml }) => saveFile({ name: "followed.opml", type: "text/x-opml", content: opml }))
      .catch(sayFailure);
  const looked = (follow?: string) =>
    call("follows.seen", { team: team.id, follow }).then(again).catch(sayFailure);
  return (
    <Frame me={me} teams={teams} team={team}>
      <main id="main" className="min-h-0 flex-1 overflow-y-auto px-4 pb-16">
        <div className="mx-auto flex max-w-4xl flex-col gap-6 pt-6">
          <header className="flex flex-wrap items-end justify-between gap-x-6 gap-y-2">
            <div>
              <h1 className="font-serif text-3xl font-semibold">Followed</h1>
              <p className="mt-1 text-quiet">What is new in what you follow.</p>
            </div>
            <div className="flex flex-wrap gap-2">
              {news.length > 0 && <Button onClick={() => void looked()}>All looked at</Button>}
              {follows.length > 0 && <Button onClick={() => setAdding(true)}>Follow a site</Button>}
            </div>
          </header>
          {adding && <FollowSite team={team.id} onClose={() => setAdding(false)} />}
          {!follows.length && (
            <Empty title="You follow nothing yet">
              <p>
                On the Shelves a collection, a team, a subject, or what words find can be followed; of sites
                elsewhere, what they offer as a feed. What comes there stands here.
              </p>
              <div className="flex flex-wrap gap-3">
                <Button look="accent" onClick={() => setAdding(true)}>
                  Follow a site
                </Button>
                <Link href={`/team/${team.id}/shelves`} className={buttonLook()}>
                  To the Shelves
                </Link>
              </div>
            </Empty>
          )}
          {follows.length > 0 && !news.length && (
            <p role="status" className="text-quiet">
              Nothing new since you looked last.
            </p>
          )}
          {news.map((one) => (
            <Came
              key={one.follow}
              news={one}
              follow={follows.find(({ id }) => id === one.follow)!}
              team={team}
              onLooked={() => void looked(one.follow)}
            />
          ))}
          {follows.length > 0 && (
            <section aria-labelledby="all">
              <div className="flex flex-wrap items-baseline justify-between gap-x-4 border-b border-line pb-1.5">
                <h2 id="all" className="text-base font-semibold">
                  All you follow
                </h2>
                {follows.some((one) => one.kind === "feed") && (
                  <Button small look="quiet" onClick={() => void save()}>
                    Save the feeds as a list (OPML)
                  </Button>
                )}
              </div>
              <ul>
                {follows.map((one) => (
                  <li key={one.id} className="flex items-center gap-4 border-b border-line py-2">
                    <div className="min-w-0 flex-1">
                      <Named follow={one} />
                      {one.kind === "feed" ? (
                        <FeedState follow={one} team={team} />
                      ) : (
                        <p className="text-sm text-quiet">
                          {KIND_SAYS[one.kind]}
                          {one.kind === "collection" && !one.code && ", public no more"}
                          {one.kind === "person" && !one.page && ", without a public page now"}
                        </p>
                      )}
                    </div>
                    <Button
                      small
                      look="quiet"
                      aria-label={`Follow ${nameOf(one)} no more`}
                      onClick={() => void set(false, one.kind, one.what, `“${nameOf(one)}”`)}
                    >
                      Let go
                    </Button>
                  </li>
                ))}
              </ul>
            </section>
          )}
        </div>
      </main>
    </Frame>
  );
}

const nameOf = ({ name, feed }: Follow) => feed?.title || name;

function Named({ follow }: { follow: Follow }) {
  const to = follow.code ? `/c/${follow.code}` : (follow.page ?? follow.feed?.home);
  return to && /^(?:https?:)?\//.test(to) ? (
    <a href={to} rel="noreferrer" className="break-words hover:underline">
      {nameOf(follow)}
    </a>
  ) : (
    <span className="break-words">{nameOf(follow)}</span>
  );
}

type CameProps = { news: News; follow: Follow; team: TeamRow; onLooked: () => void };

/** What came in one thing one follows. */
function Came({ news, follow, team, onLooked }: CameProps) {
  const rest = news.count - news.items.length - news.collections.length;
  return (
    <section aria-label={nameOf(follow)}>
      <div className="flex items-baseline gap-4 border-b border-line pb-1.5">
        <h2 className="min-w-0 flex-1 text-base font-semibold break-words">
          <Named follow={follow} /> <span className="text-sm font-normal text-quiet">{news.count} new</span>
        </h2>
        <Button small look="quiet" aria-label={`${nameOf(follow)}: looked at`} onClick={onLooked}>
          Looked at
        </Button>
      </div>
      <ul>
        {news.items.map((item) => (
          <CameItem key={item.id} item={item} team={team} />
        ))}
        {news.collections.map((one) => (
          <ListedCard key={one.id} one={one} team={team} />
        ))}
      </ul>
      {rest > 0 && <p className="pt-2 text-sm text-quiet">and {rest} more</p>}
    </section>
  );
}

function CameItem({ item, team }: { item: News["items"][number]; team: TeamRow }) {
  const bring = () =>
    call("capture.address", { team: team.id, address: item.address })
      .then(() => toast(`In your Tray: ${item.title}`))
      .catch(sayFailure);
  return (
    <li className="flex items-start gap-3 border-b border-line py-2.5">
      <KindMark kind={item.kind} />
      <div className="min-w-0 flex-1">
        {item.context && <p className="font-serif leading-snug break-words">{item.context}</p>}
        <p className="leading-snug font-semibold break-words">
          {item.address ? (
            <a href={item.address} rel="noreferrer" className="hover:underline">
              {item.title}
            </a>
          ) : (
            item.title
          )}
        </p>
        {item.about && <p className="mt-0.5 line-clamp-2 text-[15px] break-words">{item.about}</p>}
        {item.from === "" && (
          <p className="text-sm text-quiet">
            {new URL(item.address).host}, {sayAgo(item.addedAt)}
          </p>
        )}
        {item.minutes !== null && <p className="text-sm text-quiet">{sayMinutes(item.minutes)}</p>}
      </div>
      {item.address && may(team.role, "bring") && (
        <Button small aria-label={`Into the Tray: ${item.title}`} onClick={() => void bring()}>
          Into the Tray
        </Button>
      )}
    </li>
  );
}
