"use client";

import { useInfiniteQuery, useQuery } from "@tanstack/react-query";
import { useDeferredValue, useState } from "react";
import { Button } from "../../parts/button";
import { Empty } from "../../parts/empty";
import { Choice, Field } from "../../parts/field";
import { flattenTree } from "../../parts/tree-picker";
import { ask } from "../../talk/call";
import type { SupplyProps } from "./supply-props";
import { SupplyList } from "./supply-list";

/** The catalogue on the supply side: by words, best first, or the newest. */
export function Catalogue({ team, here, onPlace }: SupplyProps) {
  const [typed, setTyped] = useState("");
  const query = useDeferredValue(typed);
  const pages = useInfiniteQuery({
    queryKey: ["catalogue", team, query],
    queryFn: ({ pageParam }) =>
      ask("search.find", {
        team,
        query,
        ...(pageParam && { after: pageParam.id, score: pageParam.score }),
      }),
    initialPageParam: null as { id: string; score: number } | null,
    getNextPageParam: (last) => last.next,
    placeholderData: (old) => old,
  });
  const resources = pages.data?.pages.flatMap((page) => page.results) ?? [];
  const [first] = pages.data?.pages ?? [];
  return (
    <>
      <div className="border-b border-line px-4 py-2">
        <Field
          hideLabel
          label="Find in the catalogue"
          placeholder="Words of a title, a text, a note"
          value={typed}
          onChange={(event) => setTyped(event.target.value)}
        />
        {first?.meant && (
          <p className="mt-1 text-sm text-quiet">
            Did you mean{" "}
            <button type="button" className="text-accent underline" onClick={() => setTyped(first.meant!)}>
              {first.meant}
            </button>
            ?
          </p>
        )}
      </div>
      {pages.isSuccess && !resources.length ? (
        query ? (
          <Empty inset title="Nothing has all these words">
            <p>Fewer words find more. What is still being read is found a moment later.</p>
          </Empty>
        ) : (
          <Empty inset title="The catalogue is empty">
            <p>Everything your team brings in stands here once, wherever it is placed.</p>
          </Empty>
        )
      ) : (
        <SupplyList resources={resources} here={here} onPlace={onPlace} label="Catalogue">
          {pages.hasNextPage && (
            <Button
              look="quiet"
              className="m-3"
              disabled={pages.isFetchingNextPage}
              onClick={() => void pages.fetchNextPage()}
            >
              Show more
            </Button>
          )}
        </SupplyList>
      )}
    </>
  );
}

/** What stands in another collection. */
export function Others({ team, collection, here, onPlace }: SupplyProps & { collection: string }) {
  const [chosen, setChosen] = useState("");
  const tree = useQuery({ queryKey: ["tree", team], queryFn: () => ask("collections.tree", { team }) });
  const items = useQuery({
    queryKey: ["other", chosen],
    queryFn: () => ask("collections.items", { collection: chosen }),
    enabled: !!chosen,
  });
  const others = flattenTree(tree.data?.collections ?? []).filter((one) => one.id !== collection);
  const options = [
    ["", "Choose a collection"] as const,
    ...others.map((one) => [one.id, `${"\u00a0\u00a0".repeat(one.depth)}${one.title}`] as const),
  ];
  return (
    <>
      <div className="border-b border-line px-4 py-2">
        <Choice
          label="Collection"
          hideLabel
          options={options}
          value={chosen}
          onChange={(event) => setChosen(event.target.value)}
        />
      </div>
      {chosen && items.data?.items.length === 0 && (
        <Empty inset title="This one is empty">
          <p>Choose another collection to take from.</p>
        </Empty>
      )}
      <SupplyList
        resources={items.data?.items.map((item) => item.resource) ?? []}
        here={here}
        onPlace={onPlace}
        label="Items of the other collection"
      />
    </>
  );
}
