"use client";

import { RadioGroup } from "radix-ui";
import { useState } from "react";
import { VIEW_WORDS } from "@/core/list/view-setting";
import { may } from "@/core/policy/abilities";
import { AUDIENCES, type Audience, READER_VIEWS, type ReaderView } from "@/core/publish/model";
import type { Answer } from "@/services/registry";
import { toast } from "../talk/toast";
import { AUDIENCE_WORDS, AudienceMark } from "../parts/audience";
import { Button, buttonLook } from "../parts/button";
import { Choice, Field } from "../parts/field";
import { Crumb } from "../shell/crumb";
import { Frame, type Me, type TeamRow } from "../shell/frame";
import { call } from "../talk/call";
import { copyText } from "../talk/copy-text";
import { sayFailure } from "../talk/say-failure";

type Props = {
  me: Me;
  teams: TeamRow[];
  team: TeamRow;
  collection: Answer<"collections.read">["collection"];
  address: string;
  preview: string;
};

const MEANS: Record<Audience, string> = {
  team: "Members of the team see it, signed in. A link given out before stops working.",
  link: "Whoever has the address sees it, with no account. Search engines are told to pass it by.",
  public: "Everybody may find and see it, with no account, search engines too.",
};
const VIEWS = READER_VIEWS.map((view) => [view, VIEW_WORDS[view]] as const);

/** Who sees the collection, and how it looks to them. */
export function Publish({ me, teams, team, collection, address, preview }: Props) {
  const [shared, setShared] = useState({
    audience: collection.audience,
    view: collection.view,
    code: collection.code,
  });
  const [drawn, setDrawn] = useState(0);
  const publishes = may(team.role, "publish");
  const link = shared.code ? `${address}/c/${shared.code}` : "";
  const set = (change: { audience?: Audience; view?: ReaderView }) =>
    call("share.set", { collection: collection.id, ...change })
      .then((now) => {
        setShared(now);
        setDrawn((n) => n + 1);
      })
      .catch(sayFailure);
  const renew = () =>
    call("share.renew", { collection: collection.id })
      .then(({ code }) => {
        setShared({ ...shared, code });
        toast("The new link holds; the old one has stopped working.");
      })
      .catch(sayFailure);
  return (
    <Frame me={me} teams={teams} team={team}>
      <main
        id="main"
        className="grid min-h-0 flex-1 gap-x-3 overflow-y-auto px-3 pb-3 lg:grid-cols-[400px_minmax(0,1fr)] lg:overflow-hidden"
      >
        <div className="flex flex-col gap-6 px-3 pt-3 pb-6 lg:overflow-y-auto">
          <div>
            <Crumb href={`/bench/${collection.id}`}>{collection.title}</Crumb>
            <h1 className="font-serif text-2xl font-semibold">Publish: {collection.title}</h1>
          </div>
          <RadioGroup.Root
            value={shared.audience}
            disabled={!publishes}
            onValueChange={(value) => void set({ audience: value as Audience })}
            aria-label="Who can see it"
            className="flex flex-col"
          >
            {AUDIENCES.map((audience) => {
              const id = `audience-${audience}`;
              return (
                <div key={audience} className="flex gap-3 border-t border-line py-3 last:border-b">
                  <RadioGroup.Item
                    value={audience}
                    id={id}
                    aria-describedby={`${id}-means`}
                    className="mt-0.5 flex size-5 shrink-0 items-center justify-center rounded-full border-2 border-edge bg-sheet data-[state=checked]:border-accent"
                  >
                    <RadioGroup.Indicator className="size-2.5 rounded-full bg-accent" />
                  </RadioGroup.Item>
                  <label htmlFor={id} className="cursor-pointer">
                    <span className="flex items-center gap-2 font-semibold">
                      <AudienceMark audience={audience} /> {AUDIENCE_WORDS[audience]}
                    </span>
                    <span id={`${id}-means`} className="block text-[15px] text-quiet">
                      {MEANS[audience]}
                    </span>
                  </label>
                </div>
              );
            })}
          </RadioGroup.Root>
          {!publishes && <p className="text-quiet">Editors and owners of the team decide this.</p>}
          {link && (
            <section className="flex flex-col gap-3" aria-label="Link">
              <Field
                label="Link for readers"
                readOnly
                value={link}
                onFocus={(event) => event.target.select()}
              />
              <div className="flex flex-wrap gap-2">
                <Button look="accent" onClick={() => void copyText(link).then(() => toast("Copied."))}>
                  Copy
                </Button>
                <a href={link} target="_blank" rel="noreferrer" className={buttonLook()}>
                  Open as a visitor
                </a>
                {publishes && (
                  <Button look="quiet" onClick={renew}>
                    New link
                  </Button>
                )}
              </div>
            </section>
          )}
          <Choice
            label="Readers first see"
            options={VIEWS}
            value={shared.view}
            disabled={!publishes}
            onChange={(event) => void set({ view: event.target.value as ReaderView })}
            className="max-w-48"
          />
          <section aria-label="Files">
            <h2 className="text-sm font-semibold">Save as a file</h2>
            <p className="mt-1 flex flex-wrap gap-2">
              {(
                [
                  ["bibtex", "References (BibTeX)"],
                  ["ris", "References (RIS)"],
                  ["csl-json", "References (CSL-JSON)"],
                ] as const
              ).map(([format, words]) => (
                <a
                  key={format}
                  href={`/api/export/${collection.id}?format=${format}`}
                  download
                  className={buttonLook()}
                >
                  {words}
                </a>
              ))}
              <a href={`/api/export/${collection.id}?format=bookmarks`} download className={buttonLook()}>
                Bookmark file
              </a>
              <a href={`/api/export/${collection.id}?format=markdown`} download className={buttonLook()}>
                Markdown
              </a>
            </p>
          </section>
        </div>
        <section
          aria-label="As readers see it"
          className="flex min-h-[60vh] flex-col overflow-hidden rounded-md border border-line bg-sheet"
        >
          <p className="border-b border-line px-4 py-2 text-sm text-quiet">
            {shared.audience === "team"
              ? "As readers would see it. Nobody outside the team can open it now."
              : "As readers see it"}
          </p>
          <iframe
            key={drawn}
            src={`${preview}?view=${shared.view}`}
            title="The collection as readers see it"
            className="w-full flex-1 border-0"
          />
        </section>
      </main>
    </Frame>
  );
}
