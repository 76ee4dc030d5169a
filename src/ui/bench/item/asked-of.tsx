"use client";

import { useQuery } from "@tanstack/react-query";
import { UserRoundCheck } from "lucide-react";
import { sayAskedDay } from "@/core/talk/notices";
import { Button } from "../../parts/button";
import { Choice } from "../../parts/field";
import { ask } from "../../talk/call";
import { useBench } from "../state/bench-context";
import type { Item } from "../state/types";
import { useLookedAt } from "../../talk/use-looked-at";

/** Who is asked to see to an item, and until which day; who may bring in says so here, who is asked says it is done. */
export function AskedOf({ item }: { item: Item }) {
  const { collection, brings, me, commands } = useBench();
  const mine = item.askedOf !== null && item.askedOf === me?.id;
  useLookedAt(mine ? { subject: item.id } : {});
  const { data } = useQuery({
    queryKey: ["people", collection],
    queryFn: () => ask("comments.people", { collection }),
    enabled: brings,
    staleTime: 60_000,
  });
  if (!brings && item.askedOf === null) return null;
  if (!brings) return <AskedMark item={item} />;
  // Whoever has left is still said, so that another is asked.
  const people = data?.people ?? [];
  const gone =
    item.askedOf && !people.some((one) => one.id === item.askedOf)
      ? [[item.askedOf, item.askedName ?? "Somebody who left"] as const]
      : [];
  const named = (id: string) => people.find((one) => one.id === id)?.name ?? item.askedName;
  return (
    <div className="flex flex-wrap items-end gap-x-4 gap-y-2">
      <Choice
        label="Who sees to it"
        value={item.askedOf ?? ""}
        options={[
          ["", "Nobody is asked"],
          ...gone,
          ...people.map((one) => [one.id, one.id === me?.id ? `${one.name} (you)` : one.name] as const),
        ]}
        onChange={({ target: { value } }) =>
          commands.askOf(item.id, {
            of: value || null,
            name: value ? named(value) : null,
            until: item.askedUntil,
          })
        }
        className="w-56"
      />
      {item.askedOf && (
        <label className="flex flex-col gap-1 text-sm font-semibold">
          Until
          <input
            type="date"
            value={item.askedUntil ?? ""}
            onChange={({ target: { value } }) =>
              commands.askOf(item.id, { of: item.askedOf, name: item.askedName, until: value || null })
            }
            className="h-10 w-40 rounded-md border border-edge bg-sheet px-2.5 text-base font-normal"
          />
        </label>
      )}
      {mine && <Button onClick={() => commands.seenTo(item.id)}>I have seen to it</Button>}
    </div>
  );
}

/** Beside an item somebody is asked to see to: who, and until when. */
export function AskedMark({ item }: { item: Item }) {
  const { me, commands } = useBench();
  if (item.askedOf === null) return null;
  const mine = item.askedOf === me?.id;
  const until = item.askedUntil ? ` until ${sayAskedDay(item.askedUntil)}` : "";
  return (
    <p className="mt-1 flex flex-wrap items-center gap-x-2 gap-y-1 text-sm text-quiet">
      <UserRoundCheck size={15} aria-hidden className={mine ? "text-accent" : ""} />
      <span className={mine ? "font-semibold text-accent" : ""}>
        {mine ? `You see to it${until}` : `${item.askedName ?? "Somebody who left"} sees to it${until}`}
      </span>
      {mine && (
        <Button
          small
          look="quiet"
          className="h-6! px-2! text-accent!"
          onPointerDown={(event) => event.stopPropagation()}
          onClick={(event) => (event.stopPropagation(), commands.seenTo(item.id))}
        >
          Done
        </Button>
      )}
    </p>
  );
}
