"use client";

import { useQuery } from "@tanstack/react-query";
import type { Answer } from "@/services/registry";
import { buttonLook } from "../parts/button";
import { Link } from "../parts/link";
import { ask } from "../talk/call";

/** More are not counted. */
const MOST = 100;

/** How many pages one leads to are not what they were, before readers meet them; nothing where none is. */
export function LinksLine({ team, first }: { team: string; first: Answer<"teams.waiting"> }) {
  const { data } = useQuery({
    // As the bar asks for it.
    queryKey: ["tray", team, "waiting"],
    queryFn: () => ask("teams.waiting", { team }),
    initialData: first,
  });
  if (!data.links) return null;
  return (
    <section
      aria-label="Links"
      className="flex flex-wrap items-center gap-x-5 gap-y-3 rounded-md border border-line bg-sheet px-5 py-4"
    >
      <p className="min-w-52 flex-1 text-[15px]">
        <b className="font-semibold">
          {data.links === 1 ? "1 page" : data.links >= MOST ? `${MOST} pages or more` : `${data.links} pages`}
        </b>{" "}
        {data.links === 1
          ? "you lead to is gone, or not what it was. Your readers may have met it."
          : "you lead to are gone, or not what they were. Your readers may have met them."}
      </p>
      <Link href={`/team/${team}/links`} className={buttonLook("line")}>
        Mend the links
      </Link>
    </section>
  );
}
