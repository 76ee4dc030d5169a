"use client";

import { useQuery } from "@tanstack/react-query";
import { shortOutcome } from "@/core/outcomes/served";
import { ask } from "../../talk/call";
import { useBench } from "../state/bench-context";

/** Which outcomes a section serves, in a word; nothing where it serves none. */
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
    <span className="mt-2 min-w-0 truncate text-sm text-quiet" title={data.map(inFull).join("\n")}>
      serves {data.map(shortOutcome).join(", ")}
    </span>
  );
}

const inFull = ({ code, title }: { code: string; title: string }) => [code, title].filter(Boolean).join(" ");
