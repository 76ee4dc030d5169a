"use client";

import { useState } from "react";
import { LARGEST_TABLE, outcomesFromTable } from "@/core/outcomes/outcomes-table";
import { readOutcomes } from "@/core/outcomes/read-outcomes";
import { Button } from "../../parts/button";
import { ChooseFile } from "../../parts/choose-file";
import { Area } from "../../parts/field";
import { call } from "../../talk/call";
import { newId } from "../../talk/ids";
import { sayAtField } from "../../talk/say-failure";

type Props = {
  team: string;
  /** In which other one they will stand. */
  inside?: { id: string; words: string };
  onDone: (count: number, entry: string | null) => void;
  onLeave?: () => void;
};

/** Writes outcomes, typed or pasted, one a line. */
export function AddOutcomes({ team, inside, onDone, onLeave }: Props) {
  const [id] = useState(newId);
  const [text, setText] = useState("");
  const [error, setError] = useState("");
  const read = readOutcomes(text);
  const deepest = Math.max(0, ...read.map(({ depth }) => depth));
  const fromFile = async (file: File) => {
    const lines = file.size > 4 * LARGEST_TABLE ? null : outcomesFromTable(await file.text());
    if (lines === null) return setError("No outcomes could be read from this file.");
    setError("");
    // What is typed already stays before it.
    setText((typed) => [typed.trimEnd(), lines].filter(Boolean).join("\n"));
  };
  const add = () =>
    call("outcomes.add", { team, text, parent: inside?.id ?? null, outcome: id })
      .then(({ outcomes, entry }) => onDone(outcomes.length, entry))
      .catch(sayAtField("text", setError));
  return (
    <form
      noValidate
      className="mb-6 rounded-md border border-line bg-sheet p-4"
      onSubmit={(event) => {
        event.preventDefault();
        void add();
      }}
    >
      <Area
        label={inside ? `Outcomes in “${inside.words}”, one a line` : "Outcomes or questions, one a line"}
        hint={
          read.length
            ? `${read.length === 1 ? "1 outcome" : `${read.length} outcomes`}${deepest ? `, in ${deepest + 1} steps` : ""}.`
            : "Paste them from the syllabus. A code may lead a line (1.2, LO3); its points, or blanks before the line, say what stands in what."
        }
        autoFocus
        rows={6}
        inputClass="max-h-96 overflow-y-auto"
        value={text}
        error={error}
        onChange={(event) => (setText(event.target.value), setError(""))}
      />
      <div className="mt-3 flex flex-wrap justify-end gap-2">
        <span className="mr-auto self-center">
          <ChooseFile
            look="line"
            label="A table of outcomes (CSV)"
            accept=".csv,.tsv,.txt,text/csv"
            onChosen={(file) => void fromFile(file)}
          >
            From a table (CSV) …
          </ChooseFile>
        </span>
        {onLeave && (
          <Button look="quiet" onClick={onLeave}>
            Cancel
          </Button>
        )}
        <Button look="accent" type="submit">
          Write them down
        </Button>
      </div>
    </form>
  );
}
