"use client";

import { useQuery } from "@tanstack/react-query";
import type { Answer } from "@/services/registry";
import { REASON_WORDS } from "@/core/care/reasons";
import { Button } from "../parts/button";
import { Day } from "../parts/day";
import { Frame, type Me, type TeamRow } from "../shell/frame";
import { ask, call } from "../talk/call";
import { sayFailure } from "../talk/say-failure";
import { sayAgo } from "../talk/say-time";
import { toast } from "../talk/toast";
import { useState } from "react";
import { AllTeams } from "./all-teams";
import { Deeds } from "./deeds";
import { HideDialog } from "./hide-dialog";
import { Part } from "./part";
import { WhoFinds } from "./who-finds";
import { WhoSignsUp } from "./who-signs-up";

type Now = Answer<"stewards.read">;
type Props = { me: Me; mine: TeamRow[]; first: Now; firstTeams: Answer<"stewards.teams"> };
export type Hideable = { collection: string; title: string; teamName: string };

/** What those see to who look after the installation as a whole. */
export function Stewards({ me, mine, first, firstTeams }: Props) {
  const { data = first, refetch } = useQuery({
    queryKey: ["stewards"],
    queryFn: () => ask("stewards.read", {}),
    initialData: first,
    staleTime: 30_000,
  });
  const [hiding, setHiding] = useState<Hideable>();
  const again = () => void refetch();
  const doing = (work: Promise<unknown>, said: string) =>
    void work
      .then(() => {
        again();
        toast(said);
      })
      .catch(sayFailure);
  const { reports, hidden } = data;
  return (
    <Frame me={me} teams={mine} team={null}>
      <main id="main" className="min-h-0 flex-1 overflow-y-auto px-4 pb-16">
        <div className="mx-auto flex max-w-4xl flex-col gap-10 pt-6">
          <header>
            <h1 className="font-serif text-3xl font-semibold">Stewards</h1>
            <p className="mt-1 text-quiet">
              You look after this installation: what is public here, and who comes in. What teams keep for
              themselves you do not see.
            </p>
          </header>
          <Part id="reports" title="Reported">
            {!reports.length && <p className="py-3 text-quiet">Nothing waits to be looked at.</p>}
            <ul>
              {reports.map((one) => (
                <li
                  key={one.id}
                  className="flex flex-wrap items-start gap-x-4 gap-y-2 border-b border-line py-3"
                >
                  <div className="min-w-0 flex-1 basis-96">
                    <Titled one={one} />
                    <p className="mt-1 break-words">
                      <span className="font-semibold">{REASON_WORDS[one.reason]}.</span> {one.words}
                    </p>
                    <p className="mt-1 text-sm text-quiet">
                      {sayAgo(one.createdAt)}
                      {one.address && (
                        <>
                          {", by "}
                          <a href={`mailto:${one.address}`} className="text-accent hover:underline">
                            {one.address}
                          </a>
                        </>
                      )}
                    </p>
                  </div>
                  <div className="flex gap-2">
                    <Button
                      small
                      aria-label={`Leave “${one.title}” as it is`}
                      onClick={() => doing(call("stewards.leave", { report: one.id }), "It stays as it is.")}
                    >
                      Leave it
                    </Button>
                    {!one.hiddenAt && (
                      <Button
                        small
                        look="stop"
                        aria-label={`Hide “${one.title}” …`}
                        onClick={() => setHiding(one)}
                      >
                        Hide …
                      </Button>
                    )}
                  </div>
                </li>
              ))}
            </ul>
          </Part>
          <Part id="hidden" title="Hidden from readers">
            {!hidden.length && <p className="py-3 text-quiet">Nothing is hidden.</p>}
            <ul>
              {hidden.map((one) => (
                <li
                  key={one.collection}
                  className="flex flex-wrap items-start gap-x-4 gap-y-2 border-b border-line py-3"
                >
                  <div className="min-w-0 flex-1 basis-96">
                    <Titled one={{ ...one, code: null }} />
                    <p className="mt-1 break-words">“{one.words}”</p>
                    {one.answer && (
                      <p className="mt-1 break-words">
                        <span className="font-semibold">The team answers:</span> {one.answer}
                      </p>
                    )}
                    <p className="mt-1 text-sm text-quiet">
                      since <Day of={one.hiddenAt!} />
                    </p>
                  </div>
                  <Button
                    small
                    aria-label={`Show “${one.title}” again`}
                    onClick={() =>
                      doing(
                        call("stewards.show", { collection: one.collection }),
                        `“${one.title}” is shown again to those its team shares it with.`,
                      )
                    }
                  >
                    Show it again
                  </Button>
                </li>
              ))}
            </ul>
          </Part>
          <Part id="sign-up" title="Who may sign up">
            <WhoSignsUp rule={data.signUp} onSet={again} />
          </Part>
          <Part id="finds" title="Who finds what is public">
            <WhoFinds everybody={data.everybodySees} onSet={again} />
          </Part>
          <Part id="teams" title={`Teams (${data.teams})`}>
            <AllTeams first={firstTeams} />
          </Part>
          <Part id="who" title="Who the stewards are">
            <ul>
              {data.stewards.map((one) => (
                <li key={one.id} className="border-b border-line py-2 break-words">
                  {one.name} <span className="text-quiet">{one.email}</span>
                </li>
              ))}
            </ul>
            <p className="pt-2 text-sm text-quiet">
              They are named, and let go, by who runs Hobbin here: <code>npm run steward -- add ADDRESS</code>
            </p>
          </Part>
          <Part id="deeds" title="What was done">
            <Deeds deeds={data.deeds} />
          </Part>
        </div>
        {hiding && (
          <HideDialog
            one={hiding}
            onClose={() => setHiding(undefined)}
            onDone={() => {
              setHiding(undefined);
              again();
              toast(`“${hiding.title}” is hidden. Its team is told, and can answer.`);
            }}
          />
        )}
      </main>
    </Frame>
  );
}

const Titled = ({ one }: { one: { title: string; teamName: string; code: string | null } }) => (
  <p className="break-words">
    {one.code ? (
      <a href={`/c/${one.code}`} className="font-semibold underline-offset-2 hover:underline">
        {one.title}
      </a>
    ) : (
      <span className="font-semibold">{one.title}</span>
    )}{" "}
    <span className="text-quiet">of {one.teamName}</span>
  </p>
);
