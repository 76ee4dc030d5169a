"use client";

import { useQuery } from "@tanstack/react-query";
import type { Answer } from "@/services/registry";
import { ask } from "../../talk/call";
import { useBench } from "../state/bench-context";

type Far = Answer<"appraisals.of-collection">["weighed"][number];

/** How far a thing is judged; nothing where nothing in the collection is. */
export function WeighedWord({ resource, before }: { resource: string; before?: React.ReactNode }) {
  const { collection, guest, loose } = useBench();
  const { data: far } = useQuery({
    // One answer for all of them.
    queryKey: ["weighed", collection],
    queryFn: async () => {
      const { weighed } = await ask("appraisals.of-collection", { collection });
      return new Map(weighed.map((one) => [one.resource, one]));
    },
    select: (all) => all.size > 0 && (all.get(resource) ?? NOBODY),
    enabled: !guest && !loose,
  });
  if (!far) return null;
  const isOpen = far.is === "in dispute" || far.is === "old";
  return (
    <>
      {before}
      <span className={isOpen ? "font-semibold text-warn" : ""}>{sayFar(far)}</span>
    </>
  );
}

const NOBODY = { is: "no", people: 0 } as const;

/** How far something is judged, in words. */
function sayFar({ is, people }: Pick<Far, "is" | "people"> | typeof NOBODY): string {
  if (is === "in dispute") return "in dispute";
  if (is === "old") return "appraised before it changed";
  if (is === "agreed") return "appraisal agreed";
  if (is === "no") return "not appraised";
  return people === 1 ? "appraised by one" : `appraised by ${people}`;
}
