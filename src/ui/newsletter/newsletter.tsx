"use client";

import { useState } from "react";
import { may } from "@/core/policy/abilities";
import type { Answer } from "@/services/registry";
import { Button, buttonLook } from "../parts/button";
import { Day } from "../parts/day";
import { Link } from "../parts/link";
import { SavedText } from "../parts/saved-text";
import { Crumb } from "../shell/crumb";
import { Frame, type Me, type TeamRow } from "../shell/frame";
import { call } from "../talk/call";
import { sayByField, sayFailure } from "../talk/say-failure";
import { toast } from "../talk/toast";
import { ChooseItems } from "./choose-items";
import { copyRich } from "../talk/copy-rich";
import { Issues } from "./issues";
import { LetterPreview } from "./letter-preview";
import { OnTheList } from "./on-the-list";
import { type NewsletterState, useNewsletter } from "./use-newsletter";

type Props = {
  me: Me;
  teams: TeamRow[];
  team: TeamRow;
  collection: Answer<"collections.read">["collection"];
  first: NewsletterState;
  /** Where readers read it; null: nobody outside the team does. */
  link: string | null;
};

const people = (n: number) => `${n} ${n === 1 ? "reader" : "readers"}`;

/** The next issue of a newsletter: written, looked at as it will come, and sent to those who asked for it. */
export function Newsletter({ me, teams, team, collection, first, link }: Props) {
  const { id } = collection;
  const { state, preview, again, save, choose } = useNewsletter(team.id, id, first);
  const [wrong, setWrong] = useState<Record<string, string>>({});
  /** Set once somebody has pressed the button; the issue has one id however often it is sent. */
  const [sure, setSure] = useState<string | null>(null);
  const publishes = may(team.role, "publish");
  const arranges = may(team.role, "arrange");
  const { confirmed } = state.readers;
  const send = async (issue: string) => {
    setWrong({});
    try {
      const { number, readers } = await call("newsletters.send", { collection: id, issue });
      setSure(null);
      toast(
        readers
          ? `Issue ${number} goes out to ${people(readers)}.`
          : `Issue ${number} stands at its address.`,
      );
      await again();
    } catch (error) {
      setSure(null);
      sayByField(setWrong)(error);
    }
  };
  return (
    <Frame me={me} teams={teams} team={team}>
      <main
        id="main"
        className="grid min-h-0 flex-1 gap-x-3 overflow-y-auto px-3 pb-3 lg:grid-cols-[420px_minmax(0,1fr)] lg:overflow-hidden"
      >
        <div className="flex flex-col gap-5 px-3 pt-3 pb-6 lg:overflow-y-auto lg:scrolls">
          <div>
            <Crumb href={`/bench/${id}`}>{collection.title}</Crumb>
            <h1 className="font-serif text-2xl font-semibold">The next issue</h1>
            <p className="text-[15px] text-quiet">
              {state.since ? (
                <>
                  The last one went out on <Day of={state.since} />.
                </>
              ) : (
                "None has gone out yet."
              )}
            </p>
          </div>
          <div className="flex flex-col gap-3">
            <div>
              <SavedText
                label="Subject"
                value={state.subject}
                maxLength={200}
                readOnly={!arranges}
                onSave={save("subject")}
              />
              <Wrong words={wrong.subject} />
            </div>
            <SavedText
              lines
              label="Greeting"
              value={state.greeting}
              maxLength={8_000}
              readOnly={!arranges}
              onSave={save("greeting")}
            />
          </div>
          <div>
            <ChooseItems state={state} disabled={!arranges} onChoose={choose} />
            <Wrong words={wrong.chosen} />
          </div>
          <SavedText
            lines
            label="How it ends"
            hint="stays for the next one"
            value={state.closing}
            maxLength={8_000}
            readOnly={!arranges}
            onSave={save("closing")}
          />
          {!link ? (
            <p className="rounded-md bg-wash px-3 py-2.5 text-[15px]">
              Before it can be sent or asked for, its readers need an address:{" "}
              <Link
                href={`/publish/${id}`}
                className="font-semibold text-accent underline underline-offset-2"
              >
                publish the collection
              </Link>
              .
            </p>
          ) : !publishes ? (
            <p className="text-quiet">Editors and owners of the team send it.</p>
          ) : sure === null ? (
            <Button look="accent" className="w-full shrink-0" onClick={() => setSure(crypto.randomUUID())}>
              {confirmed ? `Send it to ${people(confirmed)}` : "Put it out as a page"}
            </Button>
          ) : (
            <div
              role="alertdialog"
              aria-label="Send it"
              className="flex flex-col gap-2 rounded-md bg-wash p-3"
            >
              <p className="text-[15px]">
                {confirmed
                  ? `It goes to ${people(confirmed)} now. What is sent is not taken back.`
                  : "Nobody is on the list yet: it stands at its address, and goes to no mailbox."}
              </p>
              <p className="flex flex-wrap gap-2">
                <Button autoFocus look="accent" onClick={() => void send(sure)}>
                  {confirmed ? "Send it now" : "Put it out"}
                </Button>
                <Button look="quiet" onClick={() => setSure(null)}>
                  Not yet
                </Button>
              </p>
            </div>
          )}
          <p className="-mt-2 flex flex-wrap gap-1">
            {arranges && (
              <Button
                small
                onClick={() =>
                  void call("newsletters.try", { collection: id })
                    .then(({ to }) => toast(`It is on its way to ${to}.`))
                    .catch(sayFailure)
                }
              >
                Send it to me first
              </Button>
            )}
            <Button small disabled={!preview} onClick={() => preview && void copyRich(preview)}>
              Copy it with its look
            </Button>
            <Link href={`/publish/${id}`} className={buttonLook("quiet", true)}>
              Publish
            </Link>
          </p>
          <OnTheList
            collection={id}
            link={link}
            readers={state.readers}
            publishes={publishes}
            onChanged={again}
          />
          <Issues issues={state.issues} link={link} collection={id} publishes={publishes} onChanged={again} />
        </div>
        <LetterPreview letter={preview} />
      </main>
    </Frame>
  );
}

const Wrong = ({ words }: { words: string | undefined }) =>
  words ? (
    <p role="alert" className="mt-1 text-sm text-stop">
      {words}
    </p>
  ) : null;
