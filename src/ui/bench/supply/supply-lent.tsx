"use client";

import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { ArrowLeft } from "lucide-react";
import { useDeferredValue, useMemo, useRef, useState } from "react";
import { sayMinutes } from "@/core/text/minutes";
import type { Answer } from "@/services/registry";
import { Button, IconButton } from "../../parts/button";
import { Empty } from "../../parts/empty";
import { Field } from "../../parts/field";
import { ask } from "../../talk/call";
import { useWorkshop } from "../bench-provider";
import { FittingFeeds } from "./fitting-feeds";
import type { Supplied } from "../state/types";
import { SupplyList } from "./supply-list";

type Listed = Answer<"shelves.newest">["collections"][number];
type NearOne = Answer<"shelves.near">["collections"][number];
type Props = { onPlace?: (resources: Supplied[]) => void };

/** What others have made public, to be taken from: what is near to the open collection, or found by words. */
export function Lent({ onPlace }: Props) {
  const [typed, setTyped] = useState("");
  const [open, setOpen] = useState<string | null>(null);
  const words = useDeferredValue(typed.trim());
  const field = useRef<HTMLInputElement>(null);
  if (open)
    return (
      <OpenLent
        collection={open}
        onPlace={onPlace}
        onBack={() => {
          setOpen(null);
          requestAnimationFrame(() => field.current?.focus());
        }}
      />
    );
  return (
    <>
      <div className="border-b border-line px-4 py-2">
        <Field
          ref={field}
          hideLabel
          label="Find in what is public"
          placeholder="Words of what others made public"
          maxLength={500}
          value={typed}
          onChange={(event) => setTyped(event.target.value)}
        />
      </div>
      {words ? <FoundLent words={words} onOpen={setOpen} /> : <NearLent onPlace={onPlace} onOpen={setOpen} />}
    </>
  );
}

type OnOpen = { onOpen: (collection: string) => void };

/** What is of the own team is taken from the tab beside, without credit. */
const ofOthers = <T extends Listed>(all: readonly T[], team: string): T[] =>
  all.filter((one) => one.team !== team);

function FoundLent({ words, onOpen }: { words: string } & OnOpen) {
  const { head } = useWorkshop();
  const { data } = useQuery({
    queryKey: ["lent", words],
    queryFn: () => ask("shelves.find", { query: words }),
    placeholderData: keepPreviousData,
  });
  const found = data && ofOthers(data.results, head.collection.team);
  if (found?.length === 0)
    return (
      <Empty inset title="In nothing public do all of these words stand">
        <p>Fewer words find more.</p>
      </Empty>
    );
  return (
    <ul aria-label="Public collections" className="min-h-0 flex-1 overflow-y-auto">
      {found?.map((one) => (
        <LentRow key={one.id} one={one} onOpen={() => onOpen(one.id)} />
      ))}
    </ul>
  );
}

/** What resembles the open collection, and what is in that besides; else what was made public last. */
function NearLent({ onPlace, onOpen }: Props & OnOpen) {
  const { id, head, here } = useWorkshop();
  const near = useQuery({
    queryKey: ["near", id],
    queryFn: () => ask("shelves.near", { collection: id }),
    enabled: !head.collection.guest,
  });
  const newest = useQuery({ queryKey: ["lent", ""], queryFn: () => ask("shelves.newest", {}) });
  const all = near.data?.collections ?? [];
  const others = ofOthers(newest.data?.collections ?? [], head.collection.team);
  const besides = useMemo(
    () =>
      (near.data?.items ?? []).map((item) => suppliedFrom({ ...asLent, ...item, heading: "" }, item.from)),
    [near.data],
  );
  if (!others.length && newest.isSuccess)
    return (
      <div className="min-h-0 flex-1 overflow-y-auto">
        <FittingFeeds takes={onPlace !== undefined} />
        <Empty inset title="Nothing is public here yet">
          <p>What teams show everybody stands here, to be taken from with credit.</p>
        </Empty>
      </div>
    );
  return (
    <SupplyList
      resources={besides}
      here={here}
      onPlace={onPlace}
      label="What they have and this lacks"
      sayOf={(item) => sayIn(near.data?.items.find((one) => one.id === item))}
      head={
        all.length > 0 && (
          <>
            <Titled>Near to this collection</Titled>
            <ul aria-label="Near to this collection">
              {all.map((one) => (
                <LentRow
                  key={one.id}
                  one={one}
                  why={sayWhy(one.why, near.data!.of)}
                  onOpen={() => onOpen(one.id)}
                />
              ))}
            </ul>
            {besides.length > 0 && <Titled>What they have and this lacks</Titled>}
          </>
        )
      }
    >
      <FittingFeeds takes={onPlace !== undefined} />
      <Titled>Newly public</Titled>
      <ul aria-label="Newly public">
        {others.map((one) => (
          <LentRow key={one.id} one={one} onOpen={() => onOpen(one.id)} />
        ))}
      </ul>
    </SupplyList>
  );
}

const Titled = ({ children }: { children: string }) => (
  <h3 className="border-b border-line px-4 pt-4 pb-1.5 text-sm font-semibold text-quiet">{children}</h3>
);

/** Why it is near: pages both have, subjects both have, words. */
function sayWhy({ pages, tags, alike }: NearOne["why"], of: number): string {
  const said = [
    pages > 0 && `${pages} of your ${of === 1 ? "1 page" : `${of} pages`}`,
    tags.length > 0 && `${tags.length === 1 ? "tag" : "tags"} ${tags.join(", ")}`,
    alike && "much the same words",
  ];
  return said.filter(Boolean).join(" · ");
}

const sayIn = (item: Answer<"shelves.near">["items"][number] | undefined): string | null =>
  item ? (item.in > 1 ? `in ${item.in} of them` : item.teamName) : null;

function LentRow({ one, why, onOpen }: { one: Listed; why?: string; onOpen: () => void }) {
  const facts = [
    one.teamName,
    one.count === 1 ? "1 item" : `${one.count} items`,
    one.minutes ? sayMinutes(one.minutes) : "",
  ];
  return (
    <li className="border-b border-line hover:bg-sheet">
      <button
        type="button"
        onClick={onOpen}
        className="block w-full px-4 py-2.5 text-left outline-offset-[-3px]"
      >
        <span className="clamp-2 leading-snug font-semibold">{one.title}</span>
        <span className="block truncate text-sm text-quiet">{facts.filter(Boolean).join(" · ")}</span>
        {why && <span className="block text-sm text-quiet">{why}</span>}
      </button>
    </li>
  );
}

type OpenProps = Props & { collection: string; onBack: () => void };

/** What stands in a public collection, section by section. */
function OpenLent({ collection, onPlace, onBack }: OpenProps) {
  const { items: own, takeLent, showLent } = useWorkshop();
  const { data, isError } = useQuery({
    queryKey: ["lent-items", collection],
    queryFn: () => ask("shelves.read", { collection }),
    retry: false,
  });
  const all = useMemo(
    () => data?.parts.flatMap((part) => part.items.map((item) => suppliedFrom(item, collection))) ?? [],
    [data, collection],
  );
  const here = useMemo(() => {
    const addresses = new Set(own.map((item) => item.resource.address).filter(Boolean));
    return new Set(all.filter((one) => addresses.has(one.address)).map((one) => one.id));
  }, [own, all]);
  const sections = data?.parts.filter((part) => part.section !== null) ?? [];
  return (
    <>
      <div className="flex items-start gap-2 border-b border-line py-1.5 pr-4 pl-2">
        <IconButton autoFocus label="Back to what is public" onClick={onBack}>
          <ArrowLeft size={18} aria-hidden />
        </IconButton>
        <div className="min-w-0 flex-1 py-1">
          {data && (
            <>
              <h3 className="leading-snug font-semibold break-words">
                <a href={`/c/${data.code}`} className="hover:underline">
                  {data.title}
                </a>
              </h3>
              <p className="text-sm text-quiet">{data.teamName} · what you take keeps its credit</p>
              {onPlace && (
                <Button
                  small
                  look="quiet"
                  className="mt-1 -ml-2"
                  title="As it stands there, whatever becomes of it; nothing is copied"
                  onClick={() => showLent(collection)}
                >
                  Show it here, live
                </Button>
              )}
            </>
          )}
        </div>
      </div>
      {isError && (
        <Empty inset title="This is public no more">
          <p>Its makers have closed it. What was taken before stays where it is.</p>
        </Empty>
      )}
      {data && (
        <SupplyList resources={all} here={here} onPlace={onPlace} label={`Items of ${data.title}`}>
          {onPlace && sections.length > 0 && (
            <div className="flex flex-col items-start gap-1 px-4 py-3">
              <p className="text-sm text-quiet">Or a section as it stands:</p>
              {sections.map((part) => (
                <Button
                  key={part.section}
                  small
                  look="quiet"
                  onClick={() => takeLent(collection, { part: part.section!, count: part.count })}
                >
                  {`${part.title} (${part.count})`}
                </Button>
              ))}
            </div>
          )}
        </SupplyList>
      )}
    </>
  );
}

type LentItem = Answer<"shelves.read">["parts"][number]["items"][number];
/** What is not said of one that is only pointed out. */
const asLent = { host: "", siteName: "" };

/** As a thing that can be dragged over, though the catalogue has it only once it is taken. */
const suppliedFrom = (item: LentItem, from: string): Supplied => ({
  ...{ id: item.id, kind: item.kind, title: item.heading || item.title, address: item.address },
  ...{ host: item.host, siteName: item.siteName, minutes: item.minutes, pages: null, description: "" },
  ...{ licence: "", authors: [], published: null, picture: null, player: null, file: null, tags: [] },
  ...{ duplicateOf: null, fetchState: "done", fetchProblem: null, usedAt: null, createdAt: "" },
  lent: { from, context: item.context },
});
