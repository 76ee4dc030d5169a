"use client";

import { useInfiniteQuery, useQuery, useQueryClient } from "@tanstack/react-query";
import dynamic from "next/dynamic";
import { useRouter } from "next/navigation";
import { may } from "@/core/policy/abilities";
import { reloads } from "@/core/history/verbs";
import type { Answer } from "@/services/registry";
import { InlineTitle } from "../parts/inline-title";
import { Button, buttonLook } from "../parts/button";
import { KindMark } from "../parts/kind";
import { Link } from "../parts/link";
import { Crumb } from "../shell/crumb";
import { Frame, type Me, type TeamRow } from "../shell/frame";
import { sayDone, useUndo } from "../shell/use-undo";
import { ask, call } from "../talk/call";
import { sayFailure } from "../talk/say-failure";
import { useLive } from "../talk/use-live";
import { uses } from "./merge-dialog";

const UseChart = dynamic(() => import("./use-chart").then((m) => m.UseChart), { ssr: false });

type Props = { me: Me; teams: TeamRow[]; team: TeamRow; first: Answer<"tags.look"> };

/** One tag: what carries it, beside which others it stands, and how its use went. */
export function TagPage({ me, teams, team, first }: Props) {
  const client = useQueryClient();
  const router = useRouter();
  const { data } = useQuery({
    queryKey: ["tag", first.tag.id],
    queryFn: () => ask("tags.look", { tag: first.tag.id }),
    initialData: first,
    retry: false,
  });
  const { tag, beside, months, collections } = data;
  const query = `tag:"${tag.name}"`;
  const things = useInfiniteQuery({
    queryKey: ["catalogue", team.id, query, "newest"],
    queryFn: ({ pageParam }) =>
      ask("search.find", { team: team.id, query, ...(pageParam && { after: pageParam, score: 0 }) }),
    initialPageParam: null as string | null,
    getNextPageParam: (last) => last.next?.id ?? null,
  });
  const again = () => {
    void client.invalidateQueries({ queryKey: ["tag", tag.id] });
    void client.invalidateQueries({ queryKey: ["catalogue", team.id] });
  };
  useUndo(team.id, again);
  useLive(team.id, {
    onEvents: (events) => events.some((event) => reloads(event, "tags")) && again(),
    onReload: again,
  });
  const arranges = may(team.role, "arrange");
  const remove = () =>
    void call("tags.delete", { team: team.id, tags: [tag.id] })
      .then(({ entry }) => {
        sayDone(`Deleted: ${tag.name}`, team.id, entry, () => router.push(`/team/${team.id}/tags/${tag.id}`));
        router.push(`/team/${team.id}/tags`);
      })
      .catch(sayFailure);
  const results = things.data?.pages.flatMap((page) => page.results) ?? [];
  return (
    <Frame me={me} teams={teams} team={team}>
      <main id="main" className="min-h-0 flex-1 overflow-y-auto px-4 pb-24 sm:px-8">
        <div className="mx-auto max-w-5xl pt-6">
          <Crumb href={`/team/${team.id}/tags`}>Tags</Crumb>
          <div className="flex flex-wrap items-center gap-3">
            <InlineTitle
              level={1}
              label="Name of the tag"
              value={tag.name}
              readOnly={!arranges}
              onSave={(name) => call("tags.rename", { tag: tag.id, name }).then(again)}
              className="font-serif text-3xl font-semibold"
            />
            <span className="flex-1" />
            <Link
              href={`/team/${team.id}/catalogue?q=${encodeURIComponent(query)}`}
              className={buttonLook("line", true)}
            >
              Narrow further
            </Link>
            {arranges && (
              <Button small look="stop" onClick={remove}>
                Delete the tag
              </Button>
            )}
          </div>
          <p className="mt-1 text-quiet">On {uses(tag.count)}.</p>
          <div className="mt-6 grid grid-cols-[minmax(0,1fr)] gap-x-12 gap-y-8 lg:grid-cols-[minmax(0,1fr)_320px]">
            <section>
              <h2 className="border-b border-line pb-2 text-[17px] font-semibold">What carries it</h2>
              <ul>
                {results.map((one) => (
                  <li key={one.id} className="flex gap-3 border-b border-line py-2.5">
                    <KindMark kind={one.kind} />
                    <span className="min-w-0 flex-1">
                      <Link href={`/read/${one.id}`} className="block font-semibold hover:underline">
                        {one.title}
                      </Link>
                      <span className="block truncate text-sm text-quiet">
                        {[one.siteName || one.host, ...one.places.map((place) => place.title)]
                          .filter(Boolean)
                          .join(" · ")}
                      </span>
                    </span>
                  </li>
                ))}
              </ul>
              {things.isSuccess && results.length === 0 && (
                <p className="py-3 text-quiet">Nothing carries it any more.</p>
              )}
              {things.hasNextPage && (
                <Button
                  className="mt-3"
                  disabled={things.isFetchingNextPage}
                  onClick={() => void things.fetchNextPage()}
                >
                  Show more
                </Button>
              )}
            </section>
            <div className="flex flex-col gap-8">
              <section>
                <h2 className="border-b border-line pb-2 text-[17px] font-semibold">Use over time</h2>
                <div className="mt-3 min-h-40">
                  <UseChart months={months} label={`${tag.name} put on things, by month`} />
                </div>
              </section>
              {beside.length > 0 && (
                <section>
                  <h2 className="border-b border-line pb-2 text-[17px] font-semibold">Used together with</h2>
                  <ul>
                    {beside.map((one) => (
                      <li key={one.id} className="border-b border-line py-1.5">
                        <Link
                          href={`/team/${team.id}/tags/${one.id}`}
                          className="flex items-baseline justify-between gap-3 hover:text-accent hover:underline"
                        >
                          <span>{one.name}</span>
                          <span className="text-sm whitespace-nowrap text-quiet">
                            {one.together} of {one.count}
                          </span>
                        </Link>
                        <span
                          className="mt-0.5 block h-1 rounded bg-accent"
                          style={{ width: `${Math.max(2, Math.round(one.strength * 100))}%` }}
                          aria-hidden
                        />
                      </li>
                    ))}
                  </ul>
                </section>
              )}
              {collections.length > 0 && (
                <section>
                  <h2 className="border-b border-line pb-2 text-[17px] font-semibold">
                    Collections about it
                  </h2>
                  <ul>
                    {collections.map((one) => (
                      <li key={one.id} className="py-1.5">
                        <Link href={`/bench/${one.id}`} className="text-accent hover:underline">
                          {one.title}
                        </Link>
                      </li>
                    ))}
                  </ul>
                </section>
              )}
            </div>
          </div>
        </div>
      </main>
    </Frame>
  );
}
