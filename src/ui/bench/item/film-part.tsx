"use client";

import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { minutesOfClip, readClipTime, sayClipTime } from "@/core/publish/clip";
import type { Answer } from "@/services/registry";
import { Button } from "../../parts/button";
import { Field } from "../../parts/field";
import { sayDone } from "../../shell/use-undo";
import { call, Refusal } from "../../talk/call";
import { sayAtField, sayFailure } from "../../talk/say-failure";
import { useBench } from "../state/bench-context";
import type { Item } from "../state/types";

type Full = Answer<"resources.read">["resource"];
type End = "clipFrom" | "clipTo";

/** Of a film or a sound: which part of it is meant here, and what is said in it. */
export function FilmPart({ item, full }: { item: Item; full: Full }) {
  const { arranges, brings, loose } = useBench();
  return (
    <div className="flex flex-wrap items-start gap-x-8 gap-y-3">
      {!loose && <Part item={item} full={full} disabled={!arranges} />}
      {brings && full.player?.type === "file" && <Captions full={full} />}
    </div>
  );
}

/** From which second to which; without them all of it. */
function Part({ item, full, disabled }: { item: Item; full: Full; disabled: boolean }) {
  const { commands } = useBench();
  const [typed, setTyped] = useState<Partial<Record<End, string>>>({});
  const [wrong, setWrong] = useState<Partial<Record<string, string>>>({});
  const save = (end: End) => {
    const text = typed[end];
    if (text === undefined) return;
    const seconds = readClipTime(text);
    if (seconds === undefined)
      return setWrong({ ...wrong, [end]: "Write a time as 1:35, or seconds as 95." });
    setWrong({ ...wrong, [end]: undefined });
    // From the beginning on is no part.
    const value = end === "clipFrom" && seconds === 0 ? null : seconds;
    if (value === item[end]) return setTyped({ ...typed, [end]: undefined });
    call("placements.edit", { placement: item.id, [end]: value }).then(
      () => {
        setTyped((all) => ({ ...all, [end]: undefined }));
        commands.change(item.id, (old) => {
          const clip = { clipFrom: old.clipFrom, clipTo: old.clipTo, [end]: value };
          return { ...old, ...clip, resource: { ...old.resource, minutes: minutesOfClip(clip, full) } };
        });
      },
      (error: unknown) => {
        if (error instanceof Refusal && Object.keys(error.fields).length)
          setWrong({ ...wrong, [end]: Object.values(error.fields)[0] });
        else sayFailure(error);
      },
    );
  };
  const field = (end: End, label: string, placeholder: string) => (
    <Field
      label={label}
      className="w-28"
      inputClass="tabular-nums"
      placeholder={placeholder}
      maxLength={9}
      value={typed[end] ?? (item[end] === null ? "" : sayClipTime(item[end]))}
      error={wrong[end]}
      disabled={disabled}
      onChange={(event) => setTyped({ ...typed, [end]: event.target.value })}
      onBlur={() => save(end)}
      onKeyDown={(event) => event.key === "Enter" && save(end)}
    />
  );
  return (
    <fieldset className="flex flex-wrap items-start gap-3">
      <legend className="sr-only">The part that is meant here</legend>
      {field("clipFrom", "Begins here at", "0:00")}
      {field("clipTo", "Ends here at", full.seconds ? sayClipTime(full.seconds) : "its end")}
    </fieldset>
  );
}

/** What is said in it, from a file somebody has. */
function Captions({ full }: { full: Full }) {
  const { team } = useBench();
  const client = useQueryClient();
  const [wrong, setWrong] = useState("");
  const give = (captions: string) =>
    call("resources.give-captions", { resource: full.id, captions }).then(
      ({ entry, cues }) => {
        setWrong("");
        const again = () => void client.invalidateQueries({ queryKey: ["resource", full.id] });
        again();
        sayDone(
          captions ? `${cues} captions. Readers see them, too.` : "Captions taken off.",
          team,
          entry,
          again,
        );
      },
      sayAtField("captions", setWrong),
    );
  const choose = () => {
    const input = document.createElement("input");
    input.type = "file";
    input.accept = ".vtt,.srt,text/vtt";
    input.onchange = () => void input.files?.[0]?.text().then(give);
    input.click();
  };
  return (
    <div className="flex flex-col items-start gap-1">
      <p className="text-sm font-semibold">Captions</p>
      <div className="flex h-10 items-center gap-2">
        {full.captionsHash && (
          <a href={`/api/captions/${full.id}`} target="_blank" className="text-[15px] text-accent underline">
            Look at them
          </a>
        )}
        <Button small onClick={choose}>
          {full.captionsHash ? "Take others" : "Add a file (.vtt, .srt)"}
        </Button>
        {full.captionsHash && (
          <Button small look="quiet" onClick={() => void give("")}>
            Take them off
          </Button>
        )}
      </div>
      {wrong && (
        <p role="alert" className="max-w-96 text-sm text-stop">
          {wrong}
        </p>
      )}
    </div>
  );
}
