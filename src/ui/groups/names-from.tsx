"use client";

import { Button } from "../parts/button";
import { ChooseFile } from "../parts/choose-file";
import { ask } from "../talk/call";
import { sayFailure } from "../talk/say-failure";

type Props = { team: string; onNames: (names: string[]) => void };

/** A class list is no larger, in bytes. */
const LARGEST = 2_000_000;

/** Where names come from besides what is pasted: a class list as a file, or the people of the team. */
export function NamesFrom({ team, onNames }: Props) {
  const read = async (chosen: File) => {
    const [{ namesInFile }, text] = await Promise.all([
      import("@/core/groups/names-in-file"),
      textOf(chosen.slice(0, LARGEST)),
    ]);
    onNames(namesInFile(text));
  };
  return (
    <div className="flex flex-wrap gap-2">
      <ChooseFile
        label="Class list"
        accept=".csv,.tsv,.txt"
        onChosen={(chosen) => void read(chosen).catch(sayFailure)}
      >
        From a class list …
      </ChooseFile>
      <Button
        small
        onClick={() =>
          void ask("members.read", { team })
            .then(({ members }) => onNames(members.map((one) => one.name)))
            .catch(sayFailure)
        }
      >
        From the people of the team
      </Button>
    </div>
  );
}

/** The text of a file: UTF-8, or else as older programs of offices write it (Windows-1252). */
async function textOf(file: Blob): Promise<string> {
  const bytes = await file.arrayBuffer();
  try {
    return new TextDecoder("utf-8", { fatal: true }).decode(bytes);
  } catch {
    return new TextDecoder("windows-1252").decode(bytes);
  }
}
