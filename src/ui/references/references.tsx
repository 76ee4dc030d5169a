"use client";

import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import type { Arrangement } from "@/core/cite/arranged";
import type { StyleId } from "@/core/cite/styles";
import { reloads } from "@/core/history/verbs";
import { may } from "@/core/policy/abilities";
import type { Answer } from "@/services/registry";
import { Button, buttonLook } from "../parts/button";
import { Choice } from "../parts/field";
import { Words } from "../parts/words";
import { Crumb } from "../shell/crumb";
import { Frame, type Me, type TeamRow } from "../shell/frame";
import { ask, call } from "../talk/call";
import { copyRich } from "../talk/copy-rich";
import { sayFailure, whyOf } from "../talk/say-failure";
import { useLive } from "../talk/use-live";
import { Lacking } from "./lacking";
import { StyleChoice } from "./style-choice";

type Props = {
  me: Me;
  teams: TeamRow[];
  team: TeamRow;
  collection: Answer<"collections.read">["collection"];
};

const ORDERS = [
  ["style", "As the style has it"],
  ["own", "As they stand here"],
] as const;
const HEADINGS = [
  ["none", "None"],
  ["section", "The sections"],
  ["kind", "The kinds"],
] as const;

/** The works of a collection as a bibliography: in which style, how laid out, who is given it, and what it is poor without. */
export function References({ me, teams, team, collection: first }: Props) {
  const { id, title } = first;
  const client = useQueryClient();
  const arranges = may(team.role, "arrange");
  const [own, setOwn] = useState<StyleId>(first.citationStyle);
  const [gives, setGives] = useState(first.givesReferences);
  const [layout, setLayout] = useState<Arrangement>({ order: "style", by: "none", context: false });
  const { data, error, isFetching } = useQuery({
    queryKey: ["references", id, own, layout],
    queryFn: () => ask("references.bibliography", { collection: id, ...(own && { style: own }), ...layout }),
    placeholderData: (before) => before,
  });
  const again = () => void client.invalidateQueries({ queryKey: ["references", id] });
  useLive(team.id, {
    onEvents: (events) =>
      events.some((event) => reloads(event, "item", "items", "list", "head", "resource")) && again(),
    onReload: again,
  });
  const set = <K extends keyof Arrangement>(field: K, value: Arrangement[K]) =>
    setLayout((before) => ({ ...before, [field]: value }));
  const save = (change: { citationStyle: StyleId } | { givesReferences: boolean }) => {
    if (arranges) void call("collections.edit", { collection: id, ...change }).catch(sayFailure);
  };
  const held = data && !own ? data.styleName : undefined;
  return (
    <Frame me={me} teams={teams} team={team}>
      <main id="main" className="min-h-0 flex-1 overflow-y-auto px-4 pb-16">
        <div className="mx-auto flex max-w-4xl flex-col gap-5 pt-3">
          <div>
            <Crumb href={`/bench/${id}`}>{title}</Crumb>
            <h1 className="font-serif text-3xl font-semibold break-words">Bibliography: {title}</h1>
          </div>
          <div className="grid items-end gap-x-6 gap-y-3 sm:grid-cols-[minmax(0,1fr)_12rem_10rem]">
            <StyleChoice
              team={team.id}
              label="Style"
              none={held ? `As set for the team or above: ${held}` : "As set for the team or above"}
              value={own}
              onChange={(citationStyle) => {
                setOwn(citationStyle);
                save({ citationStyle });
              }}
            />
            <Choice
              label="Order"
              options={ORDERS}
              value={layout.order}
              onChange={(event) => set("order", event.target.value as Arrangement["order"])}
            />
            <Choice
              label="Headings"
              options={HEADINGS}
              value={layout.by}
              onChange={(event) => set("by", event.target.value as Arrangement["by"])}
            />
          </div>
          <div className="flex flex-wrap items-center gap-x-6 gap-y-2 text-[15px]">
            <Tick label="With context lines" on={layout.context} onChange={(on) => set("context", on)} />
            <Tick
              label="Readers are given it"
              on={gives}
              disabled={!arranges}
              onChange={(givesReferences) => {
                setGives(givesReferences);
                save({ givesReferences });
              }}
            />
            <span className="ml-auto flex gap-2">
              <a
                href={`/api/export/${id}?format=docx&style=${data?.style ?? "apa"}`}
                download
                className={buttonLook("line")}
              >
                Collection with it (DOCX)
              </a>
              <Button
                look="accent"
                disabled={!data?.count}
                onClick={() => void copyRich(data!, `${data!.count} references are copied, with their look.`)}
              >
                Copy
              </Button>
            </span>
          </div>
          {data && data.lacking.length > 0 && (
            <Lacking all={data.lacking} of={data.count} mends={may(team.role, "bring")} onMended={again} />
          )}
          <section
            aria-label="References"
            aria-busy={isFetching}
            className={`[&_blockquote]:ml-8 [&_blockquote]:text-quiet [&_blockquote_p]:pl-0 [&_blockquote_p]:indent-0 [&_h3]:mt-5 [&_h3]:mb-1 [&_h3]:font-serif [&_h3]:text-lg [&_h3]:font-semibold [&_p]:my-2 [&_p]:pl-8 [&_p]:-indent-8 rounded-md border border-line bg-sheet px-6 py-5 break-words ${isFetching ? "opacity-60" : ""}`}
          >
            {error ? (
              <p className="text-quiet">{whyOf(error)}</p>
            ) : data?.count === 0 ? (
              <p className="text-quiet">Nothing stands here yet that could be cited.</p>
            ) : (
              <Words rich={data?.html ?? ""} plain={data ? undefined : "…"} />
            )}
          </section>
        </div>
      </main>
    </Frame>
  );
}

function Tick({
  label,
  on,
  disabled,
  onChange,
}: {
  label: string;
  on: boolean;
  disabled?: boolean;
  onChange: (on: boolean) => void;
}) {
  return (
    <label className="flex min-h-8 items-center gap-2">
      <input
        type="checkbox"
        className="size-4 accent-accent"
        checked={on}
        disabled={disabled}
        onChange={(event) => onChange(event.target.checked)}
      />
      {label}
    </label>
  );
}
