"use client";

import { useQuery, useQueryClient } from "@tanstack/react-query";
import dynamic from "next/dynamic";
import Link from "next/link";
import { useState } from "react";
import { may } from "@/core/policy/abilities";
import { cloudSize } from "@/core/tags/cloud";
import type { Answer } from "@/services/registry";
import { Button } from "../parts/button";
import { Empty } from "../parts/empty";
import { Field } from "../parts/field";
import { EditableCell } from "../bench/views/editable-cell";
import { Frame, type Me, type TeamRow } from "../shell/frame";
import { sayDone, useUndo } from "../shell/use-undo";
import { ask, call } from "../talk/call";
import { sayFailure } from "../talk/say-failure";
import { sayAgo } from "../talk/say-time";
import { useLive } from "../talk/use-live";
import { MergeDialog, type Tag, uses } from "./merge-dialog";

const UseChart = dynamic(() => import("./use-chart").then((m) => m.UseChart), { ssr: false });

type Props = { me: Me; teams: TeamRow[]; team: TeamRow; first: Answer<"tags.tend"> };
type Row = Props["first"]["tags"][number];
type Alike = Props["first"]["alike"][number];

/** Sizes of letters in the cloud. */
const LETTERS = ["", "text-sm", "text-base", "text-xl", "text-2xl font-semibold", "text-3xl font-semibold"];
/** The cloud shows the most used ones. */
const CLOUD = 120;
const REASONS: Record<Alike["reason"], string> = {
  plural: "the same word in another form",
  hyphen: "the same letters, written apart",
  spelling: "one letter apart",
};
const SHOWN = 200;

/** All tags of the team: how much each is used, which look alike, and what can be done about it. */
export function Tags({ me, teams, team, first }: Props) {
  const client = useQueryClient();
  const { data } = useQuery({
    queryKey: ["tend", team.id],
    queryFn: () => ask("tags.tend", { team: team.id }),
    initialData: first,
    refetchInterval: ({ state }) => (state.data?.old ? 4_000 : false),
  });
  const again = () => {
    void client.invalidateQueries({ queryKey: ["tend", team.id] });
    void client.invalidateQueries({ queryKey: ["tags", team.id] });
  };
  useUndo(team.id, again);
  useLive(team.id, {
    onEvents: (events) => events.some((event) => /^(tags|resources)\./.test(event.verb)) && again(),
    onReload: again,
  });
  const arranges = may(team.role, "arrange");
  const [words, setWords] = useState("");
  const [marked, setMarked] = useState<ReadonlySet<string>>(new Set());
  const [merging, setMerging] = useState<Tag[] | null>(null);
  const shown = data.tags.filter((tag) =>
    tag.name.toLocaleLowerCase().includes(words.trim().toLocaleLowerCase()),
  );
  const chosen = data.tags.filter((tag) => marked.has(tag.id));
  const merge = (kept: Tag, others: Tag[]) => {
    setMerging(null);
    call("tags.merge", { tag: kept.id, others: others.map((one) => one.id) })
      .then(({ merged, entry }) => {
        setMarked(new Set());
        again();
        sayDone(`Merged ${merged} into ${kept.name}.`, team.id, entry, again);
      })
      .catch(sayFailure);
  };
  const remove = (tags: Row[]) =>
    void call("tags.delete", { team: team.id, tags: tags.map((one) => one.id) })
      .then(({ entry }) => {
        setMarked(new Set());
        again();
        sayDone(
          tags.length === 1 ? `Deleted: ${tags[0]!.name}` : `Deleted ${tags.length} tags.`,
          team.id,
          entry,
          again,
        );
      })
      .catch(sayFailure);
  const rename = async (tag: Row, name: string) => {
    const { entry } = await call("tags.rename", { tag: tag.id, name });
    again();
    sayDone(`${tag.name} is now ${name}.`, team.id, entry, again);
  };
  const used = data.tags.filter((tag) => tag.count > 0);
  return (
    <Frame me={me} teams={teams} team={team}>
      <main id="main" className="min-h-0 flex-1 overflow-y-auto px-4 pb-24 sm:px-8">
        <div className="mx-auto max-w-5xl pt-6">
          <h1 className="font-serif text-3xl font-semibold">Tags</h1>
          <p className="mt-1 text-quiet">
            {data.tags.length === 0
              ? "No tags yet."
              : `${data.tags.length.toLocaleString("en-GB")} ${data.tags.length === 1 ? "tag" : "tags"}, ${used.length} in use.`}
          </p>
          {data.tags.length === 0 ? (
            <Empty title="Subjects come with the things">
              <p>
                Press T on an item of the Bench and type a name of one or several words. Every tag of the team
                then stands here.
              </p>
            </Empty>
          ) : (
            <>
              <Cloud team={team.id} tags={used.slice(0, CLOUD)} />
              <section className="mt-8">
                <h2 className="border-b border-line pb-2 text-[17px] font-semibold">Use over time</h2>
                <div className="mt-3 min-h-40">
                  <UseChart months={data.months} label="Tags put on things, by month" />
                </div>
              </section>
              {data.alike.length > 0 && arranges && (
                <section className="mt-8">
                  <h2 className="border-b border-line pb-2 text-[17px] font-semibold">
                    Maybe the same ({data.alike.length})
                  </h2>
                  <ul>
                    {data.alike.slice(0, 30).map(({ keep, other, reason }) => (
                      <li
                        key={`${keep.id} ${other.id}`}
                        className="flex flex-wrap items-center gap-x-3 gap-y-1 border-b border-line py-2"
                      >
                        <span className="flex-1">
                          <b className="font-semibold">{keep.name}</b> ({keep.count}) and{" "}
                          <b className="font-semibold">{other.name}</b> ({other.count})
                          <span className="text-sm text-quiet"> {REASONS[reason]}</span>
                        </span>
                        <Button small onClick={() => setMerging([keep, other])}>
                          Merge {other.name} into {keep.name}
                        </Button>
                      </li>
                    ))}
                  </ul>
                </section>
              )}
              <section className="mt-8">
                <div className="flex flex-wrap items-end gap-3 border-b border-line pb-2">
                  <h2 className="mr-auto text-[17px] font-semibold">All tags</h2>
                  <Field
                    hideLabel
                    label="Letters of a tag"
                    placeholder="Type a few letters"
                    value={words}
                    onChange={(event) => setWords(event.target.value)}
                    className="w-56"
                  />
                </div>
                <div className="sticky top-0 z-10 bg-ground">
                  {chosen.length > 0 && arranges && (
                    <div
                      role="toolbar"
                      aria-label="What to do with the chosen tags"
                      className="flex items-center gap-2 border-b border-line py-2"
                    >
                      <p className="mr-2 font-semibold">{chosen.length} chosen</p>
                      <Button small disabled={chosen.length < 2} onClick={() => setMerging(chosen)}>
                        Merge
                      </Button>
                      <Button small look="stop" onClick={() => remove(chosen)}>
                        Delete
                      </Button>
                      <Button small look="quiet" onClick={() => setMarked(new Set())}>
                        Choose none
                      </Button>
                    </div>
                  )}
                </div>
                <table className="w-full text-left text-[15px]">
                  <thead className="text-sm text-quiet">
                    <tr className="border-b border-line">
                      {arranges && (
                        <th scope="col" className="w-8">
                          <span className="sr-only">Chosen</span>
                        </th>
                      )}
                      <th scope="col" className="py-2 font-semibold">
                        Name
                      </th>
                      <th scope="col" className="py-2 text-right font-semibold">
                        Used on
                      </th>
                      <th scope="col" className="py-2 pl-6 font-semibold max-sm:hidden">
                        Last used
                      </th>
                      <th scope="col">
                        <span className="sr-only">Its page</span>
                      </th>
                    </tr>
                  </thead>
                  <tbody>
                    {shown.slice(0, SHOWN).map((tag) => (
                      <tr key={tag.id} className="border-b border-line hover:bg-sunk">
                        {arranges && (
                          <td>
                            <input
                              type="checkbox"
                              aria-label={`Choose ${tag.name}`}
                              checked={marked.has(tag.id)}
                              onChange={() => {
                                const next = new Set(marked);
                                if (!next.delete(tag.id)) next.add(tag.id);
                                setMarked(next);
                              }}
                              className="size-4 accent-(--accent)"
                            />
                          </td>
                        )}
                        <td className="max-w-80">
                          <EditableCell
                            plain
                            reachable={arranges}
                            name="title"
                            cell={{
                              label: "Name of the tag",
                              text: tag.name,
                              save: arranges ? (name) => rename(tag, name) : undefined,
                            }}
                          />
                        </td>
                        <td className="text-right whitespace-nowrap">{uses(tag.count)}</td>
                        <td
                          className="pl-6 whitespace-nowrap text-quiet max-sm:hidden"
                          suppressHydrationWarning
                        >
                          {tag.last ? sayAgo(tag.last) : ""}
                        </td>
                        <td className="text-right">
                          <Link
                            href={`/team/${team.id}/tags/${tag.id}`}
                            className="rounded px-2 py-1 text-accent hover:underline"
                            aria-label={`The page of ${tag.name}`}
                          >
                            Open
                          </Link>
                        </td>
                      </tr>
                    ))}
                  </tbody>
                </table>
                {shown.length > SHOWN && (
                  <p className="py-3 text-quiet">
                    And {(shown.length - SHOWN).toLocaleString("en-GB")} more: type a few letters.
                  </p>
                )}
                {shown.length === 0 && <p className="py-3 text-quiet">No tag has these letters.</p>}
              </section>
            </>
          )}
        </div>
      </main>
      {merging && <MergeDialog tags={merging} onClose={() => setMerging(null)} onMerge={merge} />}
    </Frame>
  );
}

/** The tags in the size of their use, by the alphabet. */
function Cloud({ team, tags }: { team: string; tags: Row[] }) {
  const counts = tags.map((tag) => tag.count);
  const [least, most] = [Math.min(...counts), Math.max(...counts)];
  const letters = new Intl.Collator("en", { sensitivity: "base", numeric: true });
  return (
    <ul
      aria-label="Tags in the size of their use"
      className="mt-5 flex flex-wrap items-baseline gap-x-4 gap-y-1 font-serif"
    >
      {tags
        .toSorted((a, b) => letters.compare(a.name, b.name))
        .map((tag) => (
          <li key={tag.id}>
            <Link
              href={`/team/${team}/tags/${tag.id}`}
              title={`on ${uses(tag.count)}`}
              className={`inline-block min-h-6 py-0.5 hover:text-accent hover:underline ${LETTERS[cloudSize(tag.count, least, most)]}`}
            >
              {tag.name}
              <span className="sr-only">, on {uses(tag.count)}</span>
            </Link>
          </li>
        ))}
    </ul>
  );
}
