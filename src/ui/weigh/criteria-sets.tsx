"use client";

import { useState } from "react";
import type { Criterion } from "@/core/appraise/criteria";
import { LARGEST_CRITERIA_FILE, readCriteriaFile, writeCriteriaFile } from "@/core/appraise/criteria-file";
import { screeningAt } from "@/core/appraise/screening";
import { SCREENING } from "@/core/appraise/starter-criteria";
import { fileName } from "@/core/formats/file-name";
import type { Answer } from "@/services/registry";
import { Button } from "../parts/button";
import { ChooseFile } from "../parts/choose-file";
import { Empty } from "../parts/empty";
import type { TeamRow } from "../shell/frame";
import { sayDone } from "../shell/use-undo";
import { call } from "../talk/call";
import { saveFile } from "../talk/save-file";
import { sayFailure } from "../talk/say-failure";
import { toast } from "../talk/toast";
import { CriteriaForm } from "./criteria-form";

type Set = Answer<"criteria.read">["criteria"][number];
type SetsProps = {
  team: TeamRow;
  criteria: Set[];
  arranges: boolean;
  onBegin: () => void;
  onChanged: () => void;
};

const FOR_SCREENING = { name: SCREENING.name, content: SCREENING.criteria };

/** The sets of criteria of the team. */
export function CriteriaSets({ team, criteria, arranges, onBegin, onChanged }: SetsProps) {
  const [editing, setEditing] = useState<string | null>(null);
  const [from, setFrom] = useState<{ name: string; content: Criterion[] }>();
  const begin = (set?: { name: string; content: Criterion[] }) => (setFrom(set), setEditing("new"));
  const done = () => (setEditing(null), onChanged());
  const remove = (set: Set) =>
    void call("criteria.remove", { criteria: set.id })
      .then(({ entry }) => {
        onChanged();
        sayDone(`Taken away: ${set.name}`, team.id, entry, onChanged);
      })
      .catch(sayFailure);
  const form = { team: team.id, onDone: done, onLeave: () => setEditing(null) };
  return (
    <section aria-labelledby="criteria">
      <div className="mt-10 mb-2 flex flex-wrap items-center gap-3">
        <h2 id="criteria" className="mr-auto font-serif text-xl font-semibold">
          Criteria
        </h2>
        {arranges && criteria.length > 0 && editing === null && (
          <>
            <FromFile onRead={({ name, criteria: content }) => begin({ name, content })} />
            {!criteria.some((set) => screeningAt(set.content) >= 0) && (
              <Button small look="quiet" onClick={() => begin(FOR_SCREENING)}>
                For screening
              </Button>
            )}
            <Button small onClick={() => begin()}>
              New set
            </Button>
          </>
        )}
      </div>
      {editing === "new" && <CriteriaForm {...form} from={from} />}
      {criteria.length === 0 && editing === null ? (
        <Empty title="No criteria yet">
          <p>
            Criteria are questions with a few answers. You can begin with the five by which libraries teach to
            judge a source: currency, relevance, authority, accuracy, purpose; or, for a review, with in,
            unsure and out with a reason.
          </p>
          {arranges && (
            <div className="flex flex-wrap gap-2">
              <Button look="accent" onClick={onBegin}>
                Begin with these five
              </Button>
              <Button onClick={() => begin(FOR_SCREENING)}>For screening</Button>
              <Button onClick={() => begin()}>Write your own</Button>
              <FromFile onRead={({ name, criteria: content }) => begin({ name, content })} />
            </div>
          )}
        </Empty>
      ) : (
        <ul className={criteria.length ? "border-t border-line" : ""}>
          {criteria.map((set) => (
            <li key={set.id} className="border-b border-line py-3">
              {editing === set.id ? (
                <CriteriaForm {...form} set={set} />
              ) : (
                <div className="flex flex-wrap items-start gap-2">
                  <div className="min-w-52 flex-1">
                    <h3 className="font-semibold break-words">{set.name}</h3>
                    <p className="text-[15px] break-words text-quiet">
                      {set.content.map(({ name }) => name).join(", ")}
                    </p>
                  </div>
                  <Button
                    small
                    look="quiet"
                    onClick={() =>
                      saveFile({
                        name: `${fileName(set.name)}.json`,
                        type: "application/json",
                        content: writeCriteriaFile(set.name, set.content),
                      })
                    }
                  >
                    As a file
                  </Button>
                  {arranges && (
                    <>
                      <Button small onClick={() => setEditing(set.id)}>
                        Change
                      </Button>
                      <Button
                        small
                        look="quiet"
                        onClick={() =>
                          begin({ name: `${set.name.slice(0, 113)} (copy)`, content: set.content })
                        }
                      >
                        Copy
                      </Button>
                      <Button small look="quiet" onClick={() => remove(set)}>
                        Take away
                      </Button>
                    </>
                  )}
                </div>
              )}
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}

/** A set somebody else wrote, from its file. */
function FromFile({ onRead }: { onRead: (set: NonNullable<ReturnType<typeof readCriteriaFile>>) => void }) {
  const read = async (chosen: File) => {
    const set = chosen.size > 4 * LARGEST_CRITERIA_FILE ? null : readCriteriaFile(await chosen.text());
    if (set) onRead(set);
    else toast(`“${chosen.name}” is no file of criteria. One is made by “As a file” beside a set.`);
  };
  return (
    <ChooseFile
      label="A file of criteria"
      accept=".json"
      look="quiet"
      onChosen={(chosen) => void read(chosen).catch(sayFailure)}
    >
      From a file …
    </ChooseFile>
  );
}
