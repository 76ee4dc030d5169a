"use client";

import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useMemo, useState } from "react";
import { reloads } from "@/core/history/verbs";
import { groupBy } from "@/core/list/group-by";
import { may } from "@/core/policy/abilities";
import type { Answer } from "@/services/registry";
import { Button } from "../parts/button";
import { Empty } from "../parts/empty";
import { Choice } from "../parts/field";
import { Crumb } from "../shell/crumb";
import { Frame, type Me, type TeamRow } from "../shell/frame";
import { ask } from "../talk/call";
import { saveBytes, saveFile } from "../talk/save-file";
import { sayFailure } from "../talk/say-failure";
import { useLive } from "../talk/use-live";
import { asNotes } from "./as-notes";
import { Evidence } from "./evidence";
import { MarkLine } from "./mark-line";

type Marks = Answer<"marks.of-collection">;
type Props = {
  me: Me;
  teams: TeamRow[];
  team: TeamRow;
  collection: Answer<"collections.read">["collection"];
  first: Marks;
};
type By = "item" | "meaning" | "person" | "evidence";

const BY = [
  ["item", "By item"],
  ["meaning", "By what they mean"],
  ["person", "By person"],
  ["evidence", "Questions by sources"],
] as const;
const FORMATS = [
  ["markdown", "Markdown"],
  ["json-ld", "Web annotations"],
  ["csv", "Table"],
] as const;
const DOCUMENTS = [
  ["docx", "Document (DOCX)"],
  ["xlsx", "Workbook (XLSX)"],
] as const;

/** All marks on what stands in a collection: gathered, chosen, made into notes of it, or taken along as a file. */
export function MarksPage({ me, teams, team, collection, first }: Props) {
  const { id, title } = collection;
  const client = useQueryClient();
  const [by, setBy] = useState<By>("item");
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const { data } = useQuery({
    queryKey: ["marks-of", id],
    queryFn: () => ask("marks.of-collection", { collection: id }),
    initialData: first,
  });
  const again = () => void client.invalidateQueries({ queryKey: ["marks-of", id] });
  useLive(team.id, {
    onEvents: (events) => events.some((event) => reloads(event, "marks", "items")) && again(),
    onReload: again,
  });
  const { marks, meanings } = data;
  const meaningOf = useMemo(() => new Map(meanings.map((one) => [one.id, one])), [meanings]);
  const nameOf = (mark: (typeof marks)[number]) =>
    mark.by.id === me.id ? "You" : (mark.by.name ?? "Somebody who left");
  const groups = groupBy(marks, (mark) =>
    by === "item"
      ? mark.source.title
      : by === "person"
        ? nameOf(mark)
        : (meaningOf.get(mark.meaning ?? "")?.name ?? "Just marked"),
  );
  const some = marks.filter((mark) => chosen.has(mark.id));
  const save = (format: (typeof FORMATS)[number][0]) =>
    void ask("marks.export", {
      collection: id,
      format,
      ...(some.length && { marks: some.map((one) => one.id) }),
    })
      .then(saveFile)
      .catch(sayFailure);
  const saveTable = (format: (typeof DOCUMENTS)[number][0]) =>
    void ask("marks.evidence", { collection: id, format }).then(saveBytes).catch(sayFailure);
  const toggle = (mark: string) =>
    setChosen((old) => {
      const next = new Set(old);
      if (!next.delete(mark)) next.add(mark);
      return next;
    });
  return (
    <Frame me={me} teams={teams} team={team}>
      <main id="main" className="min-h-0 flex-1 overflow-y-auto px-4 pb-24">
        <div className={`mx-auto pt-5 ${by === "evidence" ? "max-w-6xl" : "max-w-3xl"}`}>
          <Crumb href={`/bench/${id}`}>{title}</Crumb>
          <h1 className="mt-1 font-serif text-3xl font-semibold">Marks</h1>
          <p className="mt-1 text-quiet">
            {marks.length === 0
              ? "What is marked in the texts that stand here."
              : `${marks.length} ${marks.length === 1 ? "mark" : "marks"} in “${title}” and what stands inside it, as you see them.`}
          </p>
          {marks.length === 0 && (
            <Empty title="Nothing is marked yet">
              <p>Open an item’s text, select words, and press M.</p>
            </Empty>
          )}
          {marks.length > 0 && (
            <div className="mt-4 flex flex-wrap items-end gap-2">
              <Choice
                label="Gathered"
                hideLabel
                value={by}
                onChange={(event) => setBy(event.target.value as By)}
                options={BY}
                className="w-52"
              />
              <span className="self-center text-sm text-quiet">
                {some.length && by !== "evidence" ? `Save the ${some.length} chosen as` : "Save all as"}
              </span>
              {by === "evidence"
                ? DOCUMENTS.map(([format, words]) => (
                    <Button key={format} small onClick={() => saveTable(format)}>
                      {words}
                    </Button>
                  ))
                : FORMATS.map(([format, words]) => (
                    <Button key={format} small onClick={() => save(format)}>
                      {words}
                    </Button>
                  ))}
              {by !== "evidence" && some.length > 0 && may(team.role, "bring") && (
                <Button
                  small
                  look="accent"
                  onClick={() => {
                    void asNotes({ team: team.id, collection: id }, some);
                    setChosen(new Set());
                  }}
                >
                  {some.length === 1 ? "Make it an item here" : `Make ${some.length} items here`}
                </Button>
              )}
            </div>
          )}
          {by === "evidence" && marks.length > 0 && <Evidence {...{ marks, meanings }} />}
          {[...(by === "evidence" ? [] : groups)].map(([name, list]) => (
            <section key={name} aria-label={name} className="mt-6">
              <h2 className="border-b border-line pb-1 font-serif text-xl font-semibold">{name}</h2>
              <ul>
                {list.map((mark) => (
                  <MarkLine
                    key={mark.id}
                    mark={mark}
                    meaning={meaningOf.get(mark.meaning ?? "")}
                    about={[by !== "person" && nameOf(mark), by !== "item" && mark.source.title]}
                    chosen={chosen.has(mark.id)}
                    onChoose={() => toggle(mark.id)}
                  />
                ))}
              </ul>
            </section>
          ))}
        </div>
      </main>
    </Frame>
  );
}
