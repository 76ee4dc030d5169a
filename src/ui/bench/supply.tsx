"use client";

import { useInfiniteQuery, useQuery, useQueryClient } from "@tanstack/react-query";
import dynamic from "next/dynamic";
import { useCallback, useDeferredValue, useState } from "react";
import { sayMinutes } from "@/core/text/minutes";
import { Button } from "../parts/button";
import { Choice, Field } from "../parts/field";
import { Empty } from "../parts/empty";
import { TabPanel, Tabs } from "../parts/tabs";
import { flattenTree } from "../parts/tree-picker";
import { sayDone } from "../shell/use-undo";
import { call } from "../talk/call";
import { saySince } from "../talk/say-time";
import { sayFailure } from "../talk/say-failure";
import type { Suggestion } from "./suggestions";
import { SupplyList } from "./supply-list";
import type { Supplied } from "./supply-row";

const Suggestions = dynamic(() => import("./suggestions").then((m) => m.Suggestions), { ssr: false });

type Props = {
  team: string;
  collection: string;
  here: ReadonlySet<string>;
  onPlace?: (resources: Supplied[]) => void;
  end?: React.ReactNode;
};

/** The supply side: the Tray, the catalogue, other collections. Things go over by drag, by a key, by double click. */
export function Supply({ team, collection, here, onPlace, end }: Props) {
  const [tab, setTab] = useState<"tray" | "catalogue" | "others">("tray");
  const tray = useQuery({ queryKey: ["tray", team], queryFn: () => call("tray.read", { team }) });
  const count = tray.data?.count ?? 0;
  return (
    <Tabs
      label="Where things come from"
      value={tab}
      onChange={setTab}
      end={end}
      tabs={[
        { value: "tray", label: `Tray ${count || ""}` },
        { value: "catalogue", label: "Catalogue" },
        { value: "others", label: "Other collections" },
      ]}
    >
      <TabPanel value="tray">
        <Tray
          {...{ team, here, onPlace }}
          entries={tray.data?.entries ?? null}
          minutes={tray.data?.minutes ?? 0}
          oldest={tray.data?.oldest ?? null}
        />
      </TabPanel>
      <TabPanel value="catalogue">
        <Catalogue {...{ team, here, onPlace }} />
      </TabPanel>
      <TabPanel value="others">
        <Others {...{ team, collection, here, onPlace }} />
      </TabPanel>
    </Tabs>
  );
}

type Shared = Pick<Props, "team" | "here" | "onPlace">;
type TrayProps = Shared & {
  entries: { resource: Supplied; suggestions: Suggestion[] }[] | null;
  minutes: number;
  oldest: string | null;
};

function Tray({ team, here, onPlace, entries, minutes, oldest }: TrayProps) {
  const client = useQueryClient();
  const away = useCallback(
    (resources: Supplied[]) => {
      const again = () => void client.invalidateQueries({ queryKey: ["tray", team] });
      call("tray.set-many", { team, resources: resources.map((one) => one.id), state: "away" })
        .then(({ deed }) => {
          again();
          const words = resources.length === 1 ? "Put away." : `Put away ${resources.length}.`;
          sayDone(
            `${words} ${resources.length === 1 ? "It stays" : "They stay"} in the catalogue.`,
            team,
            deed,
            again,
          );
        })
        .catch(sayFailure);
    },
    [client, team],
  );
  if (entries?.length === 0)
    return (
      <Empty title="Nothing waits">
        <p>What you bring in without saying where it goes waits here until you place it or put it away.</p>
      </Empty>
    );
  return (
    <>
      <p className="border-b border-line px-4 py-2 text-sm text-quiet">
        {minutes > 0 && `${sayMinutes(minutes)} waiting`}
        {oldest && saySince(oldest) && `, oldest ${saySince(oldest)}`}
      </p>
      {entries?.some((entry) => entry.suggestions.length) && (
        <Suggestions
          entries={entries}
          onDecided={() => void client.invalidateQueries({ queryKey: ["tray", team] })}
        />
      )}
      <SupplyList
        resources={entries?.map((entry) => entry.resource) ?? []}
        here={here}
        onPlace={onPlace}
        onAway={away}
        label="Tray"
      />
    </>
  );
}

function Catalogue({ team, here, onPlace }: Shared) {
  const [typed, setTyped] = useState("");
  const query = useDeferredValue(typed);
  const pages = useInfiniteQuery({
    queryKey: ["catalogue", team, query],
    queryFn: ({ pageParam }) =>
      call("search.find", {
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
          placeholder="Words, or tag: site: kind:"
          value={typed}
          onChange={(event) => setTyped(event.target.value)}
        />
        {first?.meant && (
          <p className="mt-1 text-sm text-quiet">
            Did you mean{" "}
            <button type="button" className="text-deed underline" onClick={() => setTyped(first.meant!)}>
              {first.meant}
            </button>
            ?
          </p>
        )}
      </div>
      {pages.isSuccess && !resources.length ? (
        query ? (
          <Empty title="Nothing goes by these words">
            <p>Fewer words find more. What is still being read is found a moment later.</p>
          </Empty>
        ) : (
          <Empty title="The catalogue is empty">
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

function Others({ team, collection, here, onPlace }: Shared & { collection: string }) {
  const [chosen, setChosen] = useState("");
  const tree = useQuery({ queryKey: ["tree", team], queryFn: () => call("collections.tree", { team }) });
  const items = useQuery({
    queryKey: ["other", chosen],
    queryFn: () => call("collections.items", { collection: chosen }),
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
        <Empty title="This one is empty">
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
