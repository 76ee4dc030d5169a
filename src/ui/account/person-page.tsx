"use client";

import { useQuery, useQueryClient } from "@tanstack/react-query";
import type { Answer } from "@/services/registry";
import { OwnAddress } from "../parts/own-address";
import { SavedText } from "../parts/saved-text";
import { Tick } from "../parts/tick";
import { ask, call } from "../talk/call";
import { sayFailure } from "../talk/say-failure";

type Page = Answer<"people.page">;
const KEY = ["own-page"];

/** One's own public page: whether there is one, what it says, and what stands on it. */
export function PersonPage({ first, hasPicture }: { first: Page; hasPicture: boolean }) {
  const client = useQueryClient();
  const { data = first } = useQuery({
    queryKey: KEY,
    queryFn: () => ask("people.page", {}),
    initialData: first,
    staleTime: 10_000,
  });
  const set = (
    input: { open?: boolean; picture?: boolean; leaveOut?: string[]; show?: string[] },
    how: Partial<Page>,
  ) => {
    client.setQueryData<Page>(KEY, (old) => old && { ...old, ...how });
    call("people.set-page", input).catch((failure: unknown) => {
      void client.invalidateQueries({ queryKey: KEY });
      sayFailure(failure);
    });
  };
  const setOn = (id: string, isOn: boolean) =>
    set(isOn ? { show: [id] } : { leaveOut: [id] }, {
      collections: data.collections.map((one) => (one.id === id ? { ...one, isOn } : one)),
    });
  return (
    <>
      <Tick
        on={data.open}
        onSet={(open) => set({ open }, { open })}
        words="I have a public page"
        more="With your name, and public collections of your teams in which you placed something; no address, nothing else. The pages of your teams lead to it, and others can follow it."
      />
      {data.open && (
        <>
          <SavedText
            lines
            label="What it says of you"
            value={data.words}
            maxLength={2000}
            onSave={async (words) => {
              await call("people.set-page", { words });
              client.setQueryData<Page>(KEY, (old) => old && { ...old, words });
            }}
          />
          {hasPicture && (
            <Tick
              on={data.picture}
              onSet={(picture) => set({ picture }, { picture })}
              words="My picture stands on it"
            />
          )}
          {data.collections.length === 0 ? (
            <p className="text-[15px] text-quiet">
              Nothing stands on it yet: none of your teams has made public what you placed something in.
            </p>
          ) : (
            <fieldset>
              <legend className="mb-1 text-sm font-semibold">What stands on it</legend>
              <ul className="max-h-80 overflow-y-auto rounded-md border border-line px-3 py-1 scrolls">
                {data.collections.map((one) => (
                  <li key={one.id} className="border-b border-line last:border-b-0">
                    <Tick
                      on={one.isOn}
                      onSet={(isOn) => setOn(one.id, isOn)}
                      words={one.title}
                      more={one.teamName}
                    />
                  </li>
                ))}
              </ul>
            </fieldset>
          )}
          <OwnAddress address={data.address} />
        </>
      )}
    </>
  );
}
