"use client";

import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { reloads } from "@/core/history/verbs";
import type { Answer } from "@/services/registry";
import { GatherButtons } from "../gather/gather-buttons";
import { Button, buttonLook } from "../parts/button";
import { Empty } from "../parts/empty";
import { Choice } from "../parts/field";
import { Link } from "../parts/link";
import { Progress } from "../parts/progress";
import { Frame, type Me, type TeamRow } from "../shell/frame";
import { ask, call } from "../talk/call";
import { sayFailure } from "../talk/say-failure";
import { sayAgo } from "../talk/say-time";
import { useLive } from "../talk/use-live";

type Row = Answer<"imports.list">["imports"][number];
type Props = { me: Me; teams: TeamRow[]; team: TeamRow; first: Answer<"imports.list"> };

/** What was brought in by the hundred: how far it is, what became of each line, and how it is taken back. */
export function Imports({ me, teams, team, first }: Props) {
  const client = useQueryClient();
  const key = ["imports", team.id];
  const { data } = useQuery({
    queryKey: key,
    queryFn: () => ask("imports.list", { team: team.id }),
    initialData: first,
  });
  const again = () => void client.invalidateQueries({ queryKey: key });
  useLive(team.id, {
    onEvents: (events) => {
      if (events.some((event) => reloads(event, "imports"))) again();
    },
    onReload: again,
  });
  return (
    <Frame me={me} teams={teams} team={team}>
      <main id="main" className="min-h-0 flex-1 overflow-y-auto px-4 pb-16">
        <div className="mx-auto max-w-3xl pt-6">
          <h1 className="font-serif text-3xl font-semibold">Imports</h1>
          <p className="mt-1 mb-4 text-quiet">
            Files and lists that were brought in. An import goes on when you close this page, and when Hobbin
            is started anew.
          </p>
          {data.imports.length === 0 ? (
            <Empty title="Nothing has been imported yet">
              <p>Paste a list of links on any page, or bring in a file another program wrote.</p>
              <GatherButtons ways={["file"]} />
            </Empty>
          ) : (
            <ul className="border-t border-line">
              {data.imports.map((row) => (
                <Import key={row.id} row={row} onChanged={again} />
              ))}
            </ul>
          )}
        </div>
      </main>
    </Frame>
  );
}

const STATES: Record<Row["state"], string> = {
  staging: "Not started",
  running: "Running",
  paused: "Paused",
  cancelled: "Ended early",
  done: "Done",
  undoing: "Being taken back",
  undone: "Taken back",
};

function Import({ row, onChanged }: { row: Row; onChanged: () => void }) {
  const [shown, setShown] = useState(false);
  const set = (name: "pause" | "go-on" | "cancel" | "undo" | "start") => () =>
    void call("imports.set", { import: row.id, transition: name }).then(onChanged).catch(sayFailure);
  const busy = row.state === "running" || row.state === "paused" || row.state === "undoing";
  return (
    <li className="flex flex-col gap-2 border-b border-line py-3">
      <div className="flex flex-wrap items-baseline gap-x-3">
        <h2 className="min-w-0 flex-1 truncate font-semibold">{row.name}</h2>
        <span className="text-sm text-quiet" suppressHydrationWarning>
          {STATES[row.state]}, {sayAgo(row.createdAt)}
        </span>
      </div>
      {busy && <Progress done={row.done} of={row.total} words={`${row.done} of ${row.total} lines`} />}
      <p className="text-[15px] text-quiet">
        {[
          `${row.made} new`,
          row.placed && `${row.placed} placed again`,
          row.here && `${row.here} here already`,
          row.left && `${row.left} left out`,
          row.rejected && `${row.rejected} could not be brought in`,
        ]
          .filter(Boolean)
          .join(", ")}
      </p>
      <div className="flex flex-wrap gap-2">
        <Button small look="quiet" aria-expanded={shown} onClick={() => setShown(!shown)}>
          {shown ? "Hide the lines" : "Show the lines"}
        </Button>
        {row.state === "running" && (
          <Button small onClick={set("pause")}>
            Pause
          </Button>
        )}
        {row.state === "paused" && (
          <Button small onClick={set("go-on")}>
            Go on
          </Button>
        )}
        {(row.state === "running" || row.state === "paused") && (
          <Button small onClick={set("cancel")}>
            End it here
          </Button>
        )}
        {(row.state === "done" || row.state === "cancelled") && (
          <Button small look="stop" onClick={set("undo")}>
            Take it back
          </Button>
        )}
        {row.rejected > 0 && (
          <a className={buttonLook("line", true)} href={`/api/imports/${row.id}/rejected`} download>
            Lines to mend (CSV)
          </a>
        )}
      </div>
      {shown && <Lines import={row.id} />}
    </li>
  );
}

type Became = NonNullable<Answer<"imports.read">["lines"][number]["became"]>;
const BECAME: Record<Became, string> = {
  made: "New",
  placed: "Placed again",
  here: "Here already",
  rejected: "No web address",
  left: "Left out",
};
const FILTERS: [string, string][] = [["", "All lines"], ...(Object.entries(BECAME) as [string, string][])];

function Lines({ import: intake }: { import: string }) {
  const [became, setBecame] = useState("");
  const [from, setFrom] = useState(0);
  const { data } = useQuery({
    queryKey: ["intake", intake, became, from],
    queryFn: () =>
      ask("imports.read", {
        import: intake,
        became: (became || undefined) as Became | undefined,
        from: String(from),
      }),
  });
  return (
    <div className="flex flex-col gap-2">
      <div className="flex flex-wrap items-end gap-3">
        <Choice
          label="Which lines"
          options={FILTERS}
          value={became}
          onChange={(event) => (setBecame(event.target.value), setFrom(0))}
        />
        {data?.opens && (
          <Link className={buttonLook("quiet")} href={`/bench/${data.opens}`}>
            Open the collection
          </Link>
        )}
      </div>
      <ol
        className="max-h-96 overflow-y-auto border-y border-line"
        tabIndex={0}
        aria-label="Lines of the import"
      >
        {data?.lines.map((line, i) => (
          <li key={i} className="flex gap-3 border-b border-line py-1 text-[15px] last:border-0">
            <span className="min-w-0 flex-1 truncate">{line.title || line.address}</span>
            <span className="shrink-0 text-sm text-quiet">{line.became ? BECAME[line.became] : "Waits"}</span>
          </li>
        ))}
        {data && !data.lines.length && <li className="py-2 text-quiet">None among these.</li>}
      </ol>
      <div className="flex gap-2">
        {from > 0 && (
          <Button small onClick={() => setFrom(Math.max(0, from - 2))}>
            Before these
          </Button>
        )}
        {data?.next && (
          <Button small onClick={() => setFrom(data.next!)}>
            After these
          </Button>
        )}
      </div>
    </div>
  );
}
