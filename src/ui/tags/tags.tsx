"use client";

import dynamic from "next/dynamic";
import { useState } from "react";
import { may } from "@/core/policy/abilities";
import type { Answer } from "@/services/registry";
import { buttonLook } from "../parts/button";
import { Empty } from "../parts/empty";
import { Link } from "../parts/link";
import { Frame, type Me, type TeamRow } from "../shell/frame";
import { Alike } from "./alike";
import { Cloud } from "./cloud";
import { MergeDialog, type Tag } from "./merge-dialog";
import { TagTable } from "./tag-table";
import { useTags } from "./use-tags";

const UseChart = dynamic(() => import("./use-chart").then((m) => m.UseChart), { ssr: false });

type Props = { me: Me; teams: TeamRow[]; team: TeamRow; first: Answer<"tags.tend"> };

/** The cloud shows the most used ones. */
const CLOUD = 120;

/** All tags of the team: how much each is used, which look alike, and what can be done about it. */
export function Tags({ me, teams, team, first }: Props) {
  const { tags, alike, months, marked, setMarked, merge, remove, rename } = useTags(team.id, first);
  const [merging, setMerging] = useState<Tag[] | null>(null);
  const arranges = may(team.role, "arrange");
  const used = tags.filter((tag) => tag.count > 0);
  return (
    <Frame me={me} teams={teams} team={team}>
      <main id="main" className="min-h-0 flex-1 overflow-y-auto px-4 pb-24 sm:px-8">
        <div className="mx-auto max-w-5xl pt-6">
          <h1 className="font-serif text-3xl font-semibold">Tags</h1>
          <p className="mt-1 text-quiet">
            {tags.length === 0
              ? "No tags yet."
              : `${tags.length.toLocaleString("en-GB")} ${tags.length === 1 ? "tag" : "tags"}, ${used.length} in use.`}
          </p>
          {tags.length === 0 ? (
            <Empty title="Subjects come with the things">
              <p>
                Tag an item where it stands, or several things of the Catalogue at once; a tag has one or
                several words. Every tag of the team then stands here.
              </p>
              <Link href={`/team/${team.id}/catalogue`} className={buttonLook("accent")}>
                Tag things in the Catalogue
              </Link>
            </Empty>
          ) : (
            <>
              <Cloud team={team.id} tags={used.slice(0, CLOUD)} />
              <section className="mt-8">
                <h2 className="border-b border-line pb-2 text-[17px] font-semibold">Use over time</h2>
                <div className="mt-3 min-h-40">
                  <UseChart months={months} label="Tags put on things, by month" />
                </div>
              </section>
              {alike.length > 0 && arranges && <Alike pairs={alike} onMerge={setMerging} />}
              <TagTable
                team={team.id}
                tags={tags}
                arranges={arranges}
                marked={marked}
                onChoose={setMarked}
                onMerge={setMerging}
                onRemove={remove}
                onRename={rename}
              />
            </>
          )}
        </div>
      </main>
      {merging && (
        <MergeDialog
          tags={merging}
          onClose={() => setMerging(null)}
          onMerge={(kept, others) => {
            setMerging(null);
            merge(kept, others);
          }}
        />
      )}
    </Frame>
  );
}
