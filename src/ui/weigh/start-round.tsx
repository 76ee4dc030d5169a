"use client";

import { useState } from "react";
import type { Answer } from "@/services/registry";
import { Button } from "../parts/button";
import { Choice, Field } from "../parts/field";
import { Tick } from "../parts/tick";
import { flattenTree } from "../parts/tree-picker";
import { call } from "../talk/call";
import { newId } from "../talk/ids";
import { sayByField } from "../talk/say-failure";

type Props = {
  team: string;
  sets: Answer<"criteria.read">["criteria"];
  collections: Answer<"collections.tree">["collections"];
  people: { id: string; name: string }[];
  /** The round of screening with whose things it goes on. */
  after?: { id: string; title: string };
  onStarted: (round: string) => void;
  onLeave: () => void;
};

/** Starts a round: what is judged, by which criteria, by whom, how many to a thing, and whether blind. */
export function StartRound({ team, sets, collections, people, after, onStarted, onLeave }: Props) {
  const [id] = useState(newId);
  const [title, setTitle] = useState("");
  const [collection, setCollection] = useState("");
  const [criteria, setCriteria] = useState(sets[0]?.id ?? "");
  const [judges, setJudges] = useState(() => people.map((one) => one.id));
  const [each, setEach] = useState(Math.min(2, people.length));
  const [blind, setBlind] = useState(people.length > 1);
  const [errors, setErrors] = useState<Record<string, string>>({});
  const most = Math.max(1, judges.length);
  const many = Math.min(each, most);
  const start = () => {
    if (!collection && !after) return setErrors({ collection: "Choose what is to be judged." });
    if (!judges.length) return setErrors({ people: "Choose who judges." });
    const named =
      title.trim() ||
      (after
        ? `${after.title}: the next round`
        : (collections.find((one) => one.id === collection)?.title ?? ""));
    call("rounds.start", {
      team,
      round: id,
      title: named.slice(0, 120),
      criteria,
      ...(after ? { after: after.id } : { collection }),
      people: judges,
      each: many,
      blind,
    })
      .then(({ round }) => onStarted(round.id))
      .catch(sayByField(setErrors));
  };
  const alert = (field: string) =>
    errors[field] && (
      <p role="alert" className="text-sm text-stop">
        {errors[field]}
      </p>
    );
  return (
    <form
      noValidate
      className="mb-6 grid gap-4 rounded-md border border-line bg-sheet p-4 sm:grid-cols-2"
      onSubmit={(event) => {
        event.preventDefault();
        start();
      }}
    >
      {after ? (
        <p className="text-[15px]">
          <span className="block text-sm font-semibold">What is judged</span>
          What “{after.title}” has not left out.
        </p>
      ) : (
        <div>
          <Choice
            label="What is judged"
            autoFocus
            value={collection}
            options={[
              ["", "Choose a collection"],
              ...flattenTree(collections).map(
                (one) => [one.id, `${"\u00a0\u00a0".repeat(one.depth)}${one.title}`] as const,
              ),
            ]}
            onChange={(event) => (setCollection(event.target.value), setErrors({}))}
          />
          {alert("collection")}
        </div>
      )}
      <Choice
        label="By which criteria"
        value={criteria}
        options={sets.map((set) => [set.id, set.name] as const)}
        onChange={(event) => setCriteria(event.target.value)}
      />
      <Field
        label="What the round is called"
        hint={
          after
            ? "Left empty, it is called after the round before."
            : "Left empty, it is called as the collection is."
        }
        value={title}
        error={errors.title}
        maxLength={120}
        onChange={(event) => (setTitle(event.target.value), setErrors({}))}
      />
      <Choice
        label="How many judge each thing"
        value={String(many)}
        options={Array.from({ length: most }, (_, i) => [
          String(i + 1),
          i + 1 === most && most > 1 ? `${i + 1}: all of them` : String(i + 1),
        ])}
        onChange={(event) => setEach(Number(event.target.value))}
      />
      <fieldset className="sm:col-span-2">
        <legend className="text-sm font-semibold">Who judges</legend>
        <div className="grid gap-x-6 sm:grid-cols-2">
          {people.map((one) => (
            <Tick
              key={one.id}
              words={one.name}
              on={judges.includes(one.id)}
              onSet={(on) => {
                setErrors({});
                setJudges((old) => (on ? [...old, one.id] : old.filter((its) => its !== one.id)));
              }}
            />
          ))}
        </div>
        {alert("people")}
        {alert("after")}
      </fieldset>
      <div className="sm:col-span-2">
        <Tick
          words="Blind"
          more="Nobody sees what the others think before the round is opened."
          on={blind}
          onSet={setBlind}
        />
      </div>
      <div className="flex justify-end gap-2 sm:col-span-2">
        <Button look="quiet" onClick={onLeave}>
          Cancel
        </Button>
        <Button look="accent" type="submit">
          Start the round
        </Button>
      </div>
    </form>
  );
}
