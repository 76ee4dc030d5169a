"use client";

import { originalOf } from "../parts/original";
import { useInfiniteQuery, useQuery, useQueryClient } from "@tanstack/react-query";
import dynamic from "next/dynamic";
import { useCallback, useRef, useState } from "react";
import { toast } from "sonner";
import { sayMinutes } from "@/core/text/minutes";
import { Button } from "../parts/button";
import { Choice } from "../parts/field";
import { Empty } from "../parts/empty";
import { TabPanel, Tabs } from "../parts/tabs";
import { flattenTree } from "../parts/tree-picker";
import { call } from "../talk/call";
import { saySince } from "../talk/say-time";
import { sayFailure } from "../talk/say-failure";
import type { Suggestion } from "./suggestions";
import { SupplyRow, type Supplied } from "./supply-row";

const Suggestions = dynamic(() => import("./suggestions").then((m) => m.Suggestions), { ssr: false });

type Props = {
  team: string;
  collection: string;
  here: ReadonlySet<string>;
  onPlace?: (resource: Supplied) => void;
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
  const set = useCallback(
    async (resource: Supplied, state: "away" | "waiting") => {
      try {
        await call("tray.set", { resource: resource.id, state });
        await client.invalidateQueries({ queryKey: ["tray", team] });
      } catch (error) {
        sayFailure(error);
      }
    },
    [client, team],
  );
  const away = useCallback(
    (resource: Supplied) => {
      void set(resource, "away");
      toast("Put away. It stays in the catalogue.", {
        action: { label: "Undo", onClick: () => void set(resource, "waiting") },
      });
    },
    [set],
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
      <List
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
  const [tag, setTag] = useState("");
  const tags = useQuery({ queryKey: ["tags", team], queryFn: () => call("tags.read", { team }) });
  const pages = useInfiniteQuery({
    queryKey: ["catalogue", team, tag],
    queryFn: ({ pageParam }) => call("resources.newest", { team, before: pageParam, tag: tag || undefined }),
    initialPageParam: undefined as string | undefined,
    getNextPageParam: (last) => last.next ?? undefined,
  });
  const resources = pages.data?.pages.flatMap((page) => page.resources) ?? [];
  const options = [
    ["", "Newest first"] as const,
    ...(tags.data?.tags ?? []).map((one) => [one.id, `${one.name} (${one.count})`] as const),
  ];
  return (
    <>
      <div className="border-b border-line px-4 py-2">
        <Choice
          label="Tag"
          hideLabel
          options={options}
          value={tag}
          onChange={(event) => setTag(event.target.value)}
        />
      </div>
      {pages.isSuccess && !resources.length ? (
        <Empty title="The catalogue is empty">
          <p>Everything your team brings in stands here once, wherever it is placed.</p>
        </Empty>
      ) : (
        <List resources={resources} here={here} onPlace={onPlace} label="Catalogue">
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
        </List>
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
      <List
        resources={items.data?.items.map((item) => item.resource) ?? []}
        here={here}
        onPlace={onPlace}
        label="Items of the other collection"
      />
    </>
  );
}

type ListProps = {
  resources: Supplied[];
  here: ReadonlySet<string>;
  onPlace?: (resource: Supplied) => void;
  onAway?: (resource: Supplied) => void;
  label: string;
  children?: React.ReactNode;
};

/** A list one goes through with the arrows; the right arrow places, E puts away, O opens. */
function List({ resources, here, onPlace, onAway, label, children }: ListProps) {
  const list = useRef<HTMLUListElement>(null);
  const [wanted, setWanted] = useState("");
  const at = Math.max(
    0,
    resources.findIndex((one) => one.id === wanted),
  );
  const chosen = resources[at];
  const go = (to: number) => {
    const next = resources[Math.max(0, Math.min(to, resources.length - 1))];
    if (!next) return;
    setWanted(next.id);
    list.current?.querySelector<HTMLElement>(`[data-supply="${next.id}"] button`)?.focus();
  };
  const onKey = (event: React.KeyboardEvent) => {
    if (!chosen || event.ctrlKey || event.metaKey || event.altKey) return;
    if (event.key === "ArrowDown") go(at + 1);
    else if (event.key === "ArrowUp") go(at - 1);
    else if (event.key === "ArrowRight" && onPlace) onPlace(chosen);
    else if (event.key.toLowerCase() === "o") window.open(originalOf(chosen), "_blank", "noreferrer");
    else if (event.key.toLowerCase() === "e" && onAway) {
      onAway(chosen);
      go(at + 1);
    } else return;
    event.preventDefault();
  };
  return (
    <div className="min-h-0 flex-1 overflow-y-auto">
      <ul ref={list} aria-label={label} onKeyDown={onKey}>
        {resources.map((resource) => (
          <SupplyRow
            key={resource.id}
            resource={resource}
            chosen={resource.id === chosen?.id}
            here={here.has(resource.id)}
            onChoose={setWanted}
            onPlace={onPlace}
            onAway={onAway}
          />
        ))}
      </ul>
      {children}
    </div>
  );
}
