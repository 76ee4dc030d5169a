"use client";

import { useQuery } from "@tanstack/react-query";
import type { Dimension } from "@/core/measure/mix";
import { Button } from "../../parts/button";
import { KindMark } from "../../parts/kind";
import { Link } from "../../parts/link";
import { ask } from "../../talk/call";
import { sayValue } from "./say-mix";

type Props = { team: string; collection: string; by: Dimension; value: string; onLeave: () => void };

/** Once, when it is opened: the same function each time, or it would be called again whenever something is drawn. */
const comeIntoSight = (element: HTMLElement | null) => element?.scrollIntoView({ block: "nearest" });

/** What a bar stands for. */
export function OfOne({ team, collection, by, value, onLeave }: Props) {
  const { data } = useQuery({
    queryKey: ["mix-items", team, collection, by, value],
    queryFn: () => ask("mix.items", { team, by, value, ...(collection && { collection }) }),
  });
  return (
    <section
      aria-labelledby="of-one"
      className="mt-4 rounded-lg border border-line bg-sunk px-4 py-3"
      ref={comeIntoSight}
    >
      <div className="flex items-baseline gap-3">
        <h2 id="of-one" className="mr-auto font-serif text-xl font-semibold break-words">
          {sayValue(by, value)}
        </h2>
        <Button small look="quiet" onClick={onLeave}>
          Close
        </Button>
      </div>
      <ul className="max-h-80 overflow-y-auto" tabIndex={0} aria-label={`Of ${sayValue(by, value)}`}>
        {data?.items.map((item) => (
          <li key={item.id} className="flex items-center gap-2 border-t border-line py-1.5">
            <KindMark kind={item.kind} />
            <Link href={`/read/${item.id}`} className="min-w-0 flex-1 break-words hover:underline">
              {item.title}
            </Link>
            <span className="text-sm text-quiet max-sm:hidden">{item.host}</span>
          </li>
        ))}
      </ul>
    </section>
  );
}
