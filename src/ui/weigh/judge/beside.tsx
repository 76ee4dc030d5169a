"use client";

import { type QueryClient, useQuery, useQueryClient } from "@tanstack/react-query";
import type { Answer } from "@/services/registry";
import { Link } from "../../parts/link";
import { ask, call } from "../../talk/call";

/** So many characters of a long text stand beside the questions; the rest is in the Reading room. */
const BESIDE = 16_000;

type Round = Answer<"rounds.look">;
type Thing = Round["things"][number]["resource"];

const aboutIt = (resource: string) => ({
  queryKey: ["weigh", "about", resource],
  queryFn: () => ask("resources.read", { resource }),
  staleTime: 60_000,
});
const itsText = (resource: string) => ({
  queryKey: ["weigh", "text", resource],
  queryFn: () => ask("resources.text", { resource, beginning: BESIDE }),
  staleTime: 60_000,
});

/** How hard the language of its beginning is, in words. */
const itsLevel = (client: QueryClient, resource: string, language: string | null) => ({
  queryKey: ["weigh", "level", resource, language],
  queryFn: async () => {
    const text = await client.fetchQuery(itsText(resource));
    if (!text?.html) return null;
    const [{ textOfCopy }, { hardnessOf }] = await Promise.all([
      import("@/core/marks/text-of-copy"),
      import("@/core/text/levels"),
    ]);
    return hardnessOf(textOfCopy(text.html), language)?.levels[0]?.words ?? null;
  },
  staleTime: Infinity,
});

/** So often it is looked whether the links in it have been asked, in milliseconds, and so many times. */
const [LOOKED_EVERY, LOOKED] = [4_000, 15];

/** How many of the links in it lead nowhere; they are asked when nobody has in a while. */
const itsLinks = (resource: string) => ({
  queryKey: ["weigh", "links", resource],
  queryFn: () => call("links.inside", { resource }).then(({ inside }) => inside),
  staleTime: 60_000,
  retry: false,
});

/** Asks for what comes next, so that it is here when somebody goes on. */
export function askAhead(client: QueryClient, resource: string | undefined): void {
  if (!resource) return;
  void client
    .fetchQuery(aboutIt(resource))
    .then((about) => client.prefetchQuery(itsLevel(client, resource, about.resource.language)))
    .then(() => client.prefetchQuery(itsLinks(resource)))
    // It is asked for again when somebody is there.
    .catch(() => undefined);
}

/** What is known of the thing that is judged; nothing until it is here. */
const useAbout = (resource: string) => useQuery(aboutIt(resource)).data?.resource;

/** The same with where it stands, and how hard its language is: what stands beside the questions. */
export function useKnown(resource: string) {
  const client = useQueryClient();
  const { data } = useQuery(aboutIt(resource));
  const { data: level = null, isPending } = useQuery({
    ...itsLevel(client, resource, data?.resource.language ?? null),
    enabled: !!data,
  });
  const { data: inside, isPending: isAsking } = useQuery({
    ...itsLinks(resource),
    refetchInterval: ({ state }) =>
      state.data === null && state.dataUpdateCount < LOOKED ? LOOKED_EVERY : false,
  });
  // What stands beside the questions comes at once, so that it moves them once.
  if (!data || isPending || isAsking) return undefined;
  return { ...data.resource, places: [...new Set(data.places.map(({ title }) => title))], level, inside };
}

/** What is judged: what it is called, where it is from, and its reading copy or the way to it. */
export function Beside({ thing }: { thing: Thing }) {
  const about = useAbout(thing.id);
  const { data: text } = useQuery(itsText(thing.id));
  const facts = about && [
    about.siteName || about.host,
    about.authors.slice(0, 3).join(", "),
    about.published ?? "",
    about.licence ?? "",
  ];
  return (
    <article
      className="min-w-0 lg:sticky lg:top-14 lg:max-h-[calc(100vh-20rem)] lg:self-start lg:overflow-y-auto"
      aria-label={thing.title}
    >
      <p className="min-h-6 text-[15px] break-words text-quiet">{facts?.filter(Boolean).join(" · ")}</p>
      <p className="mt-1 flex flex-wrap gap-x-4 gap-y-1 text-[15px]">
        {about?.address && (
          <a href={about.address} target="_blank" rel="noreferrer" className="text-accent underline">
            Open the original
          </a>
        )}
        <Link href={`/read/${thing.id}`} className="text-accent underline">
          To the reading room
        </Link>
      </p>
      {about?.description && about.kind !== "note" && (
        <p className="mt-3 text-[17px] leading-relaxed break-words whitespace-pre-line">
          {about.description}
        </p>
      )}
      {text?.html ? (
        <>
          <div
            className="reading mt-4 border-t border-line pt-4"
            dangerouslySetInnerHTML={{ __html: text.html }}
          />
          {!text.whole && (
            <p className="mt-3 text-[15px] text-quiet">
              It goes on.{" "}
              <Link href={`/read/${thing.id}`} className="text-accent underline">
                Read all of it
              </Link>
            </p>
          )}
        </>
      ) : (
        text && (
          <p className="mt-4 border-t border-line pt-4 text-[15px] text-quiet">
            There is no reading copy of it. Look at the original.
          </p>
        )
      )}
    </article>
  );
}
