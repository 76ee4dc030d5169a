"use client";

import { useState } from "react";
import { FIELD_WORDS, type FieldName } from "@/core/cite/reference";
import { may } from "@/core/policy/abilities";
import { TagField } from "../bench/item/tag-field";
import type { Answer } from "@/services/registry";
import type { TeamRow } from "../shell/frame";
import { useSoon } from "../talk/use-soon";
import { WhereItStands } from "./where-it-stands";

type Props = { team: TeamRow } & Answer<"resources.read">;

/** What is known of a resource beside its text: what it says of itself, its notes, its tags, where it stands. */
export function AboutIt({ team, resource, places }: Props) {
  const brings = may(team.role, "bring");
  const [tags, setTags] = useState(resource.tags);
  const soon = useSoon();
  const known = Object.entries(resource.details ?? {}) as [FieldName, string][];
  return (
    <section aria-label="About it" className="mt-10 flex flex-col gap-6 border-t border-line pt-6">
      {resource.description && resource.kind !== "note" && (
        <p className="text-[17px] leading-relaxed break-words whitespace-pre-line">{resource.description}</p>
      )}
      {known.length > 0 && (
        <dl className="grid grid-cols-[auto_minmax(0,1fr)] gap-x-4 gap-y-1 text-[15px]">
          {known.map(([field, value]) => (
            <div key={field} className="contents">
              <dt className="text-quiet">{FIELD_WORDS[field]}</dt>
              <dd className="break-words">{value}</dd>
            </div>
          ))}
        </dl>
      )}
      {resource.notes && (
        <div>
          <h2 className="text-sm font-semibold">Notes</h2>
          <p className="text-[15px] break-words whitespace-pre-line">{resource.notes}</p>
        </div>
      )}
      <TagField
        team={team.id}
        resource={resource.id}
        tags={tags}
        readOnly={!brings}
        waits={!soon}
        onChange={setTags}
      />
      <div>
        <WhereItStands team={team} resource={resource} places={places} />
      </div>
    </section>
  );
}
