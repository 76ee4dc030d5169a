"use client";

import { useInfiniteQuery } from "@tanstack/react-query";
import { saySize } from "@/core/list/say-size";
import type { Answer } from "@/services/registry";
import { Button } from "../parts/button";
import { Day } from "../parts/day";
import { ask } from "../talk/call";

type Page = Answer<"stewards.teams">;

/** The teams of the installation: how many people, how much space, how much is public. */
export function AllTeams({ first }: { first: Page }) {
  const { data, fetchNextPage, hasNextPage, isFetchingNextPage } = useInfiniteQuery({
    queryKey: ["stewards", "teams"],
    queryFn: ({ pageParam }): Promise<Page> => ask("stewards.teams", pageParam),
    initialPageParam: {} as { after?: string; afterId?: string },
    getNextPageParam: ({ next }) => next ?? undefined,
    initialData: { pages: [first], pageParams: [{}] },
    staleTime: 60_000,
  });
  return (
    <>
      <div className="overflow-x-auto" tabIndex={0} role="region" aria-label="Table of the teams">
        <table className="w-full text-left text-[15px]">
          <thead className="text-sm text-quiet">
            <tr>
              <th className="py-2 pr-4 font-semibold">Team</th>
              <th className="py-2 pr-4 text-right font-semibold">People</th>
              <th className="py-2 pr-4 text-right font-semibold">Public</th>
              <th className="py-2 pr-4 text-right font-semibold">Space</th>
              <th className="py-2 font-semibold">Since</th>
            </tr>
          </thead>
          <tbody>
            {data.pages
              .flatMap((page) => page.teams)
              .map((one) => (
                <tr key={one.id} className="border-t border-line">
                  <td className="py-2 pr-4 break-words">{one.name}</td>
                  <td className="py-2 pr-4 text-right tabular-nums">{one.people}</td>
                  <td className="py-2 pr-4 text-right tabular-nums">{one.isPublic}</td>
                  <td className="py-2 pr-4 text-right whitespace-nowrap tabular-nums">
                    {saySize(one.bytes)}
                  </td>
                  <td className="py-2 whitespace-nowrap">
                    <Day of={one.createdAt} />
                  </td>
                </tr>
              ))}
          </tbody>
        </table>
      </div>
      {hasNextPage && (
        <Button className="mt-3" disabled={isFetchingNextPage} onClick={() => void fetchNextPage()}>
          More teams
        </Button>
      )}
    </>
  );
}
