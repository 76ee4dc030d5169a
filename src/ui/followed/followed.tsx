"use client";

import Link from "next/link";
import { may } from "@/core/policy/abilities";
import { sayMinutes } from "@/core/text/minutes";
import { Button, buttonLook } from "../parts/button";
import { Empty } from "../parts/empty";
import { KindMark } from "../parts/kind";
import { Frame, type Me, type TeamRow } from "../shell/frame";
import { ListedCard } from "../shelves/listed-card";
import { call } from "../talk/call";
import { sayFailure } from "../talk/say-failure";
import { toast } from "../talk/toast";
import { type FollowedNow, useFollowed, useFollowing } from "./use-followed";

type Props = { me: Me; teams: TeamRow[]; team: TeamRow; first: FollowedNow };
type Follow = FollowedNow["follows"][number];
type News = FollowedNow["news"][number];

const KIND_SAYS: Record<Follow["kind"], string> = {
  collection: "A collection",
  team: "What a team makes public",
  subject: "A subject",
  search: "What words find",
};

/** What is new in what one follows of what is public, and all that one follows. */
export function FollowedPage({ me, teams, team, first }: Props) {
  const { data = first } = useFollowed(team.id, first);
  const { set, again } = useFollowing(team.id);
  const { follows, news } = data;
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
            {news.length > 0 && <Button onClick={() => void looked()}>All looked at</Button>}
          </header>
          {!follows.length && (
            <Empty title="You follow nothing yet">
              <p>
                On the Shelves a collection, a team, a subject, or what words find can be followed. What comes
                there afterwards stands here.
              </p>
              <Link href={`/team/${team.id}/shelves`} className={buttonLook("accent")}>
                To the Shelves
              </Link>
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
              <h2 id="all" className="border-b border-line pb-1.5 text-base font-semibold">
                All you follow
              </h2>
              <ul>
                {follows.map((one) => (
                  <li key={one.id} className="flex items-center gap-4 border-b border-line py-2">
                    <div className="min-w-0 flex-1">
                      <Named follow={one} />
                      <p className="text-sm text-quiet">
                        {KIND_SAYS[one.kind]}
                        {one.kind === "collection" && !one.code && ", public no more"}
                      </p>
                    </div>
                    <Button
                      small
                      look="quiet"
                      aria-label={`Follow ${one.name} no more`}
                      onClick={() => void set(false, one.kind, one.what, `“${one.name}”`)}
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

const Named = ({ follow }: { follow: Follow }) =>
  follow.code ? (
    <a href={`/c/${follow.code}`} className="break-words hover:underline">
      {follow.name}
    </a>
  ) : (
    <span className="break-words">{follow.name}</span>
  );

type CameProps = { news: News; follow: Follow; team: TeamRow; onLooked: () => void };

/** What came in one thing one follows. */
function Came({ news, follow, team, onLooked }: CameProps) {
  const rest = news.count - news.items.length - news.collections.length;
  return (
    <section aria-label={follow.name}>
      <div className="flex items-baseline gap-4 border-b border-line pb-1.5">
        <h2 className="min-w-0 flex-1 text-base font-semibold break-words">
          <Named follow={follow} /> <span className="text-sm font-normal text-quiet">{news.count} new</span>
        </h2>
        <Button small look="quiet" aria-label={`${follow.name}: looked at`} onClick={onLooked}>
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
