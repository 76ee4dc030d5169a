"use client";

import { useQuery } from "@tanstack/react-query";
import { MessageSquareText, MoreHorizontal } from "lucide-react";
import dynamic from "next/dynamic";
import { useContext, useState } from "react";
import { sumTree } from "@/core/list/tree-sums";
import type { ViewSetting } from "@/core/list/view-setting";
import { sayMinutes } from "@/core/text/minutes";
import type { Answer } from "@/services/registry";
import { AUDIENCE_WORDS, AudienceMark } from "../../parts/audience";
import { buttonLook, IconButton } from "../../parts/button";
import { Cover } from "../../parts/cover";
import { Link } from "../../parts/link";
import { Menu } from "../../parts/menu";
import { PersonMark } from "../../parts/person-mark";
import { Progress } from "../../parts/progress";
import { loadRichText, RichField } from "../../parts/rich-field";
import { Strip } from "../../parts/strip";
import { Words } from "../../parts/words";
import { ask } from "../../talk/call";
import { saveWords } from "../../talk/save-words";
import { useBench } from "../state/bench-context";
import { InlineTitle } from "../../parts/inline-title";
import { CreditLines } from "./credit-line";
import { Path } from "./path";
import { usePresence } from "../state/use-presence";
import { NewsLink } from "../news/news-link";
import { TalkContext } from "../talk/use-talk";
import { ViewBar } from "./view-bar";

const CollectionMenu = dynamic(() => import("./collection-menu").then((m) => m.CollectionMenu), {
  ssr: false,
});
const PublicCollections = dynamic(
  () => import("../dialogs/public-collections").then((m) => m.PublicCollections),
  { ssr: false },
);
const CollectionTags = dynamic(() => import("./collection-tags").then((m) => m.CollectionTags), {
  ssr: false,
  // As high as what comes, so that nothing moves away under a press.
  loading: () => <p className="h-6" />,
});

type Props = {
  head: Answer<"collections.read">;
  setting: ViewSetting;
  /** The collection something is held over. */
  over: string | null;
  reading: { done: number; of: number } | null;
  onSet: (change: Partial<ViewSetting>) => void;
  onNarrow: () => void;
  choosing: boolean;
  onChoosing: (on: boolean) => void;
  onSection: () => void;
  onText: () => void;
  onInside: () => void;
  onSave: () => void;
  onHandOut: () => void;
  onGuests: () => void;
  onLeave: () => void;
  onRemove: () => void;
};

/** The collection that is being made: cover, title, what it is for, its sum, who sees it, who is here. */
export function MakingHead({
  head,
  setting,
  over,
  reading,
  onSet,
  onNarrow,
  choosing,
  onChoosing,
  ...on
}: Props) {
  const { arranges, guest, openTalk } = useBench();
  const talk = [...useContext(TalkContext).values()].reduce((sum, one) => sum + one, 0);
  /** On a phone there is no room for all of it at first. */
  const [about, setAbout] = useState(false);
  const [putting, setPutting] = useState(false);
  const { collection, sums, cover } = head;
  const grown = useGrown(sums.reduce((sum, one) => sum + one.items, 0));
  const items = sums.reduce((sum, one) => sum + one.items, 0);
  const minutes = sums.reduce((sum, one) => sum + one.minutes, 0);
  return (
    <header className="flex flex-col gap-2 border-b border-line px-4 pt-4 pb-2 max-sm:gap-0 max-sm:pt-1 max-sm:pb-1 sm:px-6">
      <div className="flex gap-5">
        {collection.coverHash ? (
          // eslint-disable-next-line @next/next/no-img-element -- kept pictures are made to size already
          <img
            src={`/api/pictures/${collection.coverHash}`}
            alt=""
            className="h-16 w-[104px] shrink-0 rounded-md object-cover max-sm:hidden"
          />
        ) : (
          <Cover
            threads={cover.threads}
            tags={cover.tags}
            width={104}
            height={64}
            className="h-16 w-[104px] shrink-0 max-sm:hidden"
            grown={grown}
          />
        )}
        <div className="min-w-0 flex-1">
          <Path
            team={collection.team}
            collection={collection}
            above={head.above}
            over={over}
            onNew={arranges && !guest ? on.onInside : undefined}
          />
          <InlineTitle
            level={1}
            label="Title of the collection"
            value={collection.title}
            readOnly={!arranges}
            onSave={(text, base) => saveWords("collections.edit", collection.id, "title", text, base)}
            className="font-serif text-[26px] leading-tight font-semibold"
          />
          <div className={about ? "" : "max-sm:hidden"}>
            <Description collection={collection} />
            {collection.credits.length > 0 && <CreditLines collection={collection} />}
          </div>
          <div className="flex min-h-9 flex-wrap items-center gap-x-4 gap-y-1 max-sm:gap-x-2 text-[15px] text-quiet">
            <p className="whitespace-nowrap">
              {items} {items === 1 ? "item" : "items"}
              {minutes > 0 && ` · ${sayMinutes(minutes)}`}
            </p>
            {/* As high as its words from the start: the mark is drawn before them where the page comes in slowly. */}
            <p className="flex min-h-lh items-center gap-1.5 whitespace-nowrap">
              <AudienceMark audience={collection.audience} />
              <span className="max-sm:sr-only">{sayWho(collection)}</span>
            </p>
            {guest && <p className="min-w-0 truncate">Guest of {collection.teamName}</p>}
            <NewsLink collection={collection.id} />
            <button
              type="button"
              aria-expanded={about}
              onClick={() => setAbout(!about)}
              className="h-7 rounded px-1 underline decoration-dotted sm:hidden"
            >
              About
            </button>
            {(arranges || collection.tags.length > 0) && (
              <div className={about ? "" : "max-sm:hidden"}>
                <CollectionTags collection={collection} />
              </div>
            )}
            {/* Who comes moves nothing. */}
            <div className="order-last ml-auto">
              <Present collection={collection.id} />
            </div>
            <div className="order-last flex items-center gap-1">
              {collection.use === "lesson" && (
                <Link href={`/bench/${collection.id}/plan`} className={buttonLook("line", true)}>
                  Plan
                </Link>
              )}
              {collection.use === "newsletter" && !guest && (
                <Link href={`/publish/${collection.id}/newsletter`} className={buttonLook("line", true)}>
                  Next issue
                </Link>
              )}
              {collection.use === "portfolio" && arranges && !guest && (
                <button type="button" className={buttonLook("line", true)} onClick={() => setPutting(true)}>
                  Put in collections
                </button>
              )}
              {/* As wide with a number as without: who comments moves nothing. */}
              <IconButton
                label={talk ? `Comments: ${talk}` : "Comments"}
                className="relative"
                onClick={() => openTalk?.()}
              >
                <MessageSquareText size={18} aria-hidden />
                {talk > 0 && (
                  <span
                    aria-hidden
                    className="absolute -top-0.5 -right-0.5 min-w-4 rounded-full bg-accent px-1 text-center text-[11px] leading-4 font-semibold text-on-accent"
                  >
                    {talk}
                  </span>
                )}
              </IconButton>
              {!guest && (
                <Link href={`/publish/${collection.id}`} className={buttonLook("line", true)}>
                  Publish
                </Link>
              )}
              <Menu
                align="end"
                button={
                  <IconButton label="What to do with this collection">
                    <MoreHorizontal size={18} aria-hidden />
                  </IconButton>
                }
              >
                <CollectionMenu head={head} {...on} />
              </Menu>
            </div>
          </div>
        </div>
      </div>
      {putting && <PublicCollections onClose={() => setPutting(false)} />}
      {head.inside.length > 0 && (
        <>
          <Strip stretches={head.course} whole={collection} over={over} />
          <Inside
            team={collection.team}
            // What holds something is a stretch of the cloth.
            inside={head.inside.filter((one) => !head.course.some((part) => part.id === one.id))}
            over={over}
          />
        </>
      )}
      <div className="-ml-2.5 min-w-0">
        <ViewBar
          {...{ setting, onSet, onNarrow, choosing, onChoosing }}
          onSection={arranges ? on.onSection : undefined}
        />
      </div>
      {reading && (
        <Progress
          done={reading.done}
          of={reading.of}
          words={`Reading ${reading.of} pages: ${reading.done} done`}
        />
      )}
    </header>
  );
}

/** Who sees it: where guests do, it is not the team alone. */
function sayWho({ audience, guests }: Props["head"]["collection"]): string {
  if (audience !== "team" || !guests) return AUDIENCE_WORDS[audience];
  return guests === 1 ? "Team and 1 guest" : `Team and ${guests} guests`;
}

/** What the collection is for; a press writes it. */
function Description({ collection }: { collection: Props["head"]["collection"] }) {
  const { arranges } = useBench();
  const [writing, setWriting] = useState(false);
  const { id, rich, description } = collection;
  if (!arranges) return <Words rich={rich} plain={description} className="text-quiet" />;
  // Links in it stay links; a press beside them writes.
  return (
    <RichField
      label="What the collection is for"
      value={rich}
      plain={description}
      writing={writing}
      onSave={(html, base) => saveWords("collections.edit", id, "rich", html, base)}
      onDone={() => setWriting(false)}
    >
      {({ rich, plain }) => (
        <div
          role="button"
          tabIndex={0}
          aria-label={`Write what the collection is for. ${plain}`}
          // There before somebody writes.
          onPointerEnter={() => void loadRichText()}
          onFocus={() => void loadRichText()}
          onClick={(event) => !(event.target as HTMLElement).closest("a") && setWriting(true)}
          onKeyDown={(event) => {
            if (event.target !== event.currentTarget || (event.key !== "Enter" && event.key !== " ")) return;
            event.preventDefault();
            setWriting(true);
          }}
          className="-ml-1.5 cursor-text rounded border border-transparent px-1.5 py-0.5 text-quiet hover:border-edge"
        >
          {rich || plain ? (
            <Words rich={rich} plain={plain} className="line-clamp-3" />
          ) : (
            "What is it for? One sentence helps whoever opens it."
          )}
        </div>
      )}
    </RichField>
  );
}

/** The collections inside, with what they hold all together, without opening them. Items can be dropped on them. */
function Inside({
  team,
  inside,
  over,
}: {
  team: string;
  inside: Props["head"]["inside"];
  over: string | null;
}) {
  const tree = useQuery({ queryKey: ["tree", team], queryFn: () => ask("collections.tree", { team }) });
  const sums = sumTree(tree.data?.collections ?? []);
  if (!inside.length) return null;
  return (
    <p className="flex flex-wrap gap-x-1 gap-y-1 text-[15px]">
      <span className="py-0.5 text-quiet">Inside:</span>
      {inside.map((one) => {
        const sum = sums.get(one.id);
        const state = [
          sum?.waiting ? `${sum.waiting} being read` : "",
          sum?.failed ? `${sum.failed} not readable` : "",
        ].filter(Boolean);
        return (
          <Link
            key={one.id}
            href={`/bench/${one.id}`}
            data-drop={one.id}
            data-drop-title={one.title}
            draggable={false}
            className={`rounded px-1.5 py-0.5 text-accent hover:underline ${over === one.id ? "bg-accent text-on-accent!" : ""}`}
          >
            {one.title}
            {sum && (
              <span className={over === one.id ? "" : "text-quiet"}>
                {" "}
                ({sum.items}
                {sum.minutes > 0 && ` · ${sayMinutes(sum.minutes)}`}
                {state.length > 0 && `, ${state.join(", ")}`})
              </span>
            )}
          </Link>
        );
      })}
    </p>
  );
}

/** Who else has the collection open. */
function Present({ collection }: { collection: string }) {
  const people = usePresence(collection);
  if (!people.length) return null;
  return (
    <ul aria-label="Also here" className="flex -space-x-1.5">
      {people.slice(0, 5).map((one) => (
        <li key={one.id} title={`${one.name} is here`}>
          <PersonMark person={one} className="size-7 border-2 border-sheet text-[11px]!" />
          <span className="sr-only">{one.name} is here</span>
        </li>
      ))}
    </ul>
  );
}

/** How often a number has grown since the page was opened; 0 before it did. */
function useGrown(count: number): number {
  const [seen, setSeen] = useState({ count, times: 0 });
  if (seen.count !== count) setSeen({ count, times: count > seen.count ? seen.times + 1 : seen.times });
  return seen.times;
}
