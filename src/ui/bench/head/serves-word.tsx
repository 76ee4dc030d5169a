"use client";

import { useQuery } from "@tanstack/react-query";
import { shortOutcome } from "@/core/outcomes/served";
import { ask } from "../../talk/call";
import { useBench } from "../state/bench-context";

/**
 * Which outcomes a section serves, in a word; nothing where it serves none. It comes later than the rest of the Bench, and stands on the
 * hairline, so that nothing moves for it.
 */
export function ServesWord({ section }: { section: string }) {
  const { collection, guest, loose } = useBench();
  const { data } = useQuery({
    // One answer for all of them.
    queryKey: ["served", collection],
    queryFn: () => ask("outcomes.of-collection", { collection }),
    select: ({ sections }) => sections.find((one) => one.section === section)?.serves,
    enabled: !guest && !loose,
  });
  if (!data?.length) return null;
  return (
    <span
      className="absolute top-2 left-0 max-w-full truncate bg-sheet pr-3 text-sm text-quiet"
      title={data.map(inFull).join("\n")}
    >
      serves {data.map(shortOutcome).join(", ")}
    </span>
  );
}

const inFull = ({ code, title }: { code: string; title: string }) => [code, title].filter(Boolean).join(" ");
