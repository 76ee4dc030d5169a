"use client";

import { useQuery, useQueryClient } from "@tanstack/react-query";
import type { Answer } from "@/services/registry";
import { Button } from "../../parts/button";
import { call, ask } from "../../talk/call";
import { sayFailure } from "../../talk/say-failure";
import { toast } from "../../talk/toast";

type Read = Answer<"links.ways">;
type Props = {
  team: string;
  resource: string;
  brings: boolean;
  /** Leads everything that leads there somewhere else. */
  onMend: (to: { address: string } | { to: string }) => Promise<void>;
  onGive: () => Promise<void>;
};

const day = (at: string | Date) =>
  new Date(at).toLocaleDateString("en", { day: "numeric", month: "long", year: "numeric" });

/** Where a page may stand now, and what could stand in its place: one press each. */
export function Ways({ team, resource, brings, onMend, onGive }: Props) {
  const client = useQueryClient();
  // Under the list it stands in: what has that read again has this, too.
  const queryKey = ["links", team, "ways", resource];
  const { data } = useQuery({ queryKey, queryFn: () => ask("links.ways", { resource }) });
  if (!data)
    return <p className="mt-2 min-h-24 pl-7 text-[15px] text-quiet">The ways are being looked up.</p>;
  const again = () => client.invalidateQueries({ queryKey });
  const nothing = !data.ways.length && !data.others.length && !data.copy;
  return (
    <div className="mt-2 pl-7">
      <ul className="border-l-2 border-line pl-3">
        {data.ways.map((way) => (
          <Way
            key={way.address}
            words={
              way.way === "title"
                ? `“${way.title}”, on the same site`
                : `As an archive kept it on ${day(way.at)}`
            }
            address={way.address}
            button="Lead there"
            onPress={() => onMend({ address: way.address })}
          />
        ))}
        {data.copy && (
          <Way
            words={sayCopy(data.copy)}
            button={data.copy.given < data.copy.places ? "Give readers the copy" : null}
            onPress={() => onGive().then(again)}
          />
        )}
        {data.others.map((other) => (
          <Way
            key={other.resource}
            words={
              other.why === "serves"
                ? `“${other.title}” serves ${other.serves}, too`
                : `“${other.title}” says something like it`
            }
            address={other.address}
            button="Take it instead"
            onPress={() => onMend({ to: other.resource })}
          />
        ))}
      </ul>
      <p className="mt-2 flex flex-wrap items-center gap-x-3 gap-y-1 text-sm text-quiet">
        <span role="status">
          {data.soughtAt
            ? `It was looked for on ${day(data.soughtAt)}${data.ways.length ? "." : ", and not found elsewhere."}`
            : nothing
              ? "It was not looked for elsewhere yet."
              : "Its site and the archive were not looked through yet."}
        </span>
        {brings && (
          <Button
            small
            look="quiet"
            onClick={() =>
              void call("links.seek", { resource })
                .then(() => toast("It is being looked for."))
                .catch(sayFailure)
            }
          >
            {data.soughtAt ? "Look again" : "Look for it"}
          </Button>
        )}
      </p>
    </div>
  );
}

type WayProps = { words: string; address?: string; button: string | null; onPress: () => Promise<unknown> };

function Way({ words, address, button, onPress }: WayProps) {
  return (
    <li className="flex flex-wrap items-center gap-x-3 gap-y-1 py-1.5">
      <span className="min-w-52 flex-1">
        <span className="block text-[15px] break-words">{words}</span>
        {address && (
          <a
            href={address}
            target="_blank"
            rel="noreferrer"
            className="block text-sm break-all text-quiet hover:underline"
          >
            {address}
          </a>
        )}
      </span>
      {button && (
        <Button small onClick={() => void onPress().catch(sayFailure)}>
          {button}
        </Button>
      )}
    </li>
  );
}

/** Whether readers can have the copy. */
function sayCopy({ places, given }: NonNullable<Read["copy"]>): string {
  if (given === places) return "Readers can have the copy that is kept here";
  return given
    ? `A copy is kept here; readers have it at ${given} of ${places} places`
    : "A copy is kept here";
}
