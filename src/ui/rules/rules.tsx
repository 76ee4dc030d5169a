"use client";

import { useRouter } from "next/navigation";
import { useState } from "react";
import { toast } from "../talk/toast";
import { may } from "@/core/policy/abilities";
import { tagNames } from "@/core/tags/tag-name";
import type { Answer } from "@/services/registry";
import { Button } from "../parts/button";
import { Empty } from "../parts/empty";
import { Choice, Field } from "../parts/field";
import { flattenTree } from "../parts/tree-picker";
import { Frame, type Me, type TeamRow } from "../shell/frame";
import { ask, call } from "../talk/call";
import { newId } from "../talk/ids";
import { sayByField, sayFailure } from "../talk/say-failure";
import { sayRule } from "./say-rule";
import { WhatItDid } from "./what-it-did";

type Rule = Answer<"rules.read">["rules"][number];
type Collections = Answer<"collections.tree">["collections"];
type Props = {
  me: Me;
  teams: TeamRow[];
  team: TeamRow;
  rules: Rule[];
  collections: Collections;
  arranges: boolean;
};

/** The rules of a team: what is brought in and fits goes where they say, or is suggested to. */
export function Rules({ me, teams, team, rules, collections, arranges }: Props) {
  const router = useRouter();
  const [editing, setEditing] = useState<string | null>(null);
  const done = () => (setEditing(null), router.refresh());
  const remove = (rule: Rule) =>
    void call("rules.remove", { rule: rule.id })
      .then(() => {
        done();
        toast(`Taken away: ${rule.name}`, {
          action: {
            label: "Undo",
            onClick: () =>
              void call("rules.save", {
                team: team.id,
                rule: rule.id,
                name: rule.name,
                ...rule.when,
                collection: rule.collection,
                section: rule.section,
                tags: rule.tags,
                acts: rule.acts,
              })
                .then(done)
                .catch(sayFailure),
          },
        });
      })
      .catch(sayFailure);
  return (
    <Frame me={me} teams={teams} team={team}>
      <main id="main" className="min-h-0 flex-1 overflow-y-auto px-4 pb-16">
        <div className="mx-auto max-w-3xl pt-6">
          <div className="flex flex-wrap items-center gap-3">
            <h1 className="mr-auto font-serif text-3xl font-semibold">Rules</h1>
            {arranges && editing === null && (
              <Button look="accent" onClick={() => setEditing("new")}>
                New rule
              </Button>
            )}
          </div>
          <p className="mt-1 mb-4 text-quiet">
            Some things belong somewhere. A rule says so once, by the site, the sender, a tag or a word of the
            title.
          </p>
          {editing === "new" && (
            <RuleForm
              team={team.id}
              collections={collections}
              onDone={done}
              onLeave={() => setEditing(null)}
            />
          )}
          {rules.length === 0 && editing === null ? (
            <Empty title="No rules yet">
              <p>For instance: everything from peat-notebook goes to “To read” and is tagged “carbon”.</p>
              {arranges && (
                <Button look="accent" onClick={() => setEditing("new")}>
                  Make the first rule
                </Button>
              )}
            </Empty>
          ) : (
            <ul className={rules.length ? "border-t border-line" : ""}>
              {rules.map((rule) => (
                <li key={rule.id} className="border-b border-line py-3">
                  {editing === rule.id ? (
                    <RuleForm
                      team={team.id}
                      collections={collections}
                      rule={rule}
                      onDone={done}
                      onLeave={() => setEditing(null)}
                    />
                  ) : (
                    <div className="flex flex-wrap items-start gap-2">
                      <div className="min-w-52 flex-1">
                        <h2 className="font-semibold">{rule.name}</h2>
                        <p className="text-[15px] text-quiet">{sayRule(rule, collections)}</p>
                        <WhatItDid rule={rule} arranges={arranges} brings={may(team.role, "bring")} />
                        <Preview rule={rule} />
                      </div>
                      {arranges && (
                        <>
                          <Button small onClick={() => setEditing(rule.id)}>
                            Change
                          </Button>
                          <Button small look="stop" onClick={() => remove(rule)}>
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
        </div>
      </main>
    </Frame>
  );
}

/** What the rule would do to what is here already, before it does. */
function Preview({ rule }: { rule: Rule }) {
  const [found, setFound] = useState<Answer<"rules.preview"> | null>(null);
  const router = useRouter();
  if (!found)
    return (
      <Button
        small
        look="quiet"
        className="-ml-3"
        onClick={() => void ask("rules.preview", { rule: rule.id }).then(setFound).catch(sayFailure)}
      >
        What it fits already
      </Button>
    );
  return (
    <div className="mt-2 rounded-md border border-line bg-sheet p-3 text-[15px]" role="status">
      <p>
        {found.count === 0
          ? "It fits nothing that is here."
          : `It fits ${found.count} of ${found.looked} here:`}
      </p>
      <ul className="my-1 list-disc pl-5">
        {found.resources.slice(0, 6).map((one) => (
          <li key={one.id} className="truncate">
            {one.title}
          </li>
        ))}
      </ul>
      <div className="flex gap-2">
        {found.count > 0 && (
          <Button
            small
            onClick={() =>
              void call("rules.run", { rule: rule.id })
                .then(
                  ({ done, left }) => (
                    setFound(null),
                    router.refresh(),
                    toast(`Done to ${done}${left ? `; ${left} are left for another go` : ""}.`)
                  ),
                )
                .catch(sayFailure)
            }
          >
            Do it to these
          </Button>
        )}
        <Button small look="quiet" onClick={() => setFound(null)}>
          Close
        </Button>
      </div>
    </div>
  );
}

type FormProps = {
  team: string;
  collections: Collections;
  rule?: Rule;
  onDone: () => void;
  onLeave: () => void;
};

function RuleForm({ team, collections, rule, onDone, onLeave }: FormProps) {
  const [id] = useState(() => rule?.id ?? newId());
  const [typed, setTyped] = useState({
    name: rule?.name ?? "",
    host: rule?.when.host ?? "",
    sender: rule?.when.sender ?? "",
    tag: rule?.when.tag ?? "",
    word: rule?.when.word ?? "",
    collection: rule?.collection ?? "",
    tags: rule?.tags.join(", ") ?? "",
    acts: rule?.acts ? "yes" : "no",
  });
  const [errors, setErrors] = useState<Record<string, string>>({});
  const field = (name: keyof typeof typed, label: string, hint?: string) => (
    <Field
      label={label}
      hint={hint}
      value={typed[name]}
      error={errors[name]}
      onChange={(event) => (setTyped((old) => ({ ...old, [name]: event.target.value })), setErrors({}))}
    />
  );
  const options = [
    ["", "No collection"] as const,
    ...flattenTree(collections).map(
      (one) => [one.id, `${"\u00a0\u00a0".repeat(one.depth)}${one.title}`] as const,
    ),
  ];
  return (
    <form
      noValidate
      className="mb-4 grid gap-4 rounded-md border border-line bg-sheet p-4 sm:grid-cols-2"
      onSubmit={(event) => {
        event.preventDefault();
        const { tags, acts, collection, ...rest } = typed;
        call("rules.save", {
          team,
          rule: id,
          ...rest,
          collection: collection || null,
          tags: tagNames(tags),
          acts: acts === "yes",
        })
          .then(onDone)
          .catch(sayByField(setErrors));
      }}
    >
      <div className="sm:col-span-2">{field("name", "Name of the rule")}</div>
      {field("host", "Site", "peat-notebook.example and all beneath it")}
      {field("sender", "Sender of a letter")}
      {field("word", "Word in the title")}
      {field("tag", "Tag")}
      <Choice
        label="Goes to"
        options={options}
        value={typed.collection}
        onChange={(event) => setTyped((old) => ({ ...old, collection: event.target.value }))}
      />
      {field("tags", "Is tagged", "Separated by commas")}
      <Choice
        label="When something fits"
        options={[
          ["no", "Suggest it"],
          ["yes", "Do it at once"],
        ]}
        value={typed.acts}
        onChange={(event) => setTyped((old) => ({ ...old, acts: event.target.value }))}
      />
      {errors.collection && (
        <p role="alert" className="self-end text-sm text-stop">
          {errors.collection}
        </p>
      )}
      <div className="flex justify-end gap-2 sm:col-span-2">
        <Button look="quiet" onClick={onLeave}>
          Cancel
        </Button>
        <Button look="accent" type="submit">
          Keep the rule
        </Button>
      </div>
    </form>
  );
}
