"use client";

import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useRef, useState } from "react";
import { Button } from "../parts/button";
import { ask, call, Refusal } from "../talk/call";
import { sayFailure, whyOf } from "../talk/say-failure";
import { sendFile } from "../talk/send-file";

/** The document of a word processor collections of the team are put into. */
export function Template({ team, owner }: { team: string; owner: boolean }) {
  const client = useQueryClient();
  const input = useRef<HTMLInputElement>(null);
  const [busy, setBusy] = useState(false);
  const [wrong, setWrong] = useState<string>();
  const { data } = useQuery({ queryKey: ["template", team], queryFn: () => ask("teams.template", { team }) });
  const again = () => client.invalidateQueries({ queryKey: ["template", team] });
  const send = async (file: File) => {
    setBusy(true);
    setWrong(undefined);
    try {
      const upload = await sendFile(file, team, { onSent: () => undefined });
      await call("teams.set-template", { team, upload });
      await again();
    } catch (error) {
      setWrong(error instanceof Refusal ? (error.fields.upload ?? error.detail) : whyOf(error));
    } finally {
      setBusy(false);
    }
  };
  const template = data?.template;
  return (
    <section aria-label="Documents" className="flex flex-col gap-2">
      <h2 className="border-b border-line pb-2 font-serif text-xl font-semibold">Documents</h2>
      <p className="break-words">
        {template ? (
          <>
            Collections saved for a word processor are put into <b>{template.name}</b>.
          </>
        ) : (
          "Collections saved for a word processor have the look of Hobbin."
        )}
      </p>
      <p className="text-[15px] text-quiet">
        A template (DOCX or DOTX) gives them your letterhead, margins and styles. A paragraph that says{" "}
        <code>[collection]</code> gives way to the collection; without one it stands at the end.
      </p>
      {wrong && (
        <p role="alert" className="text-[15px] text-stop">
          {wrong}
        </p>
      )}
      {owner && (
        <div className="flex flex-wrap gap-2">
          <input
            ref={input}
            type="file"
            accept=".docx,.dotx"
            className="sr-only"
            tabIndex={-1}
            aria-label="Template for documents"
            onChange={(event) => {
              const [file] = event.target.files ?? [];
              event.target.value = "";
              if (file) void send(file);
            }}
          />
          <Button disabled={busy} onClick={() => input.current?.click()}>
            {template ? "Another template" : "Choose a template"}
          </Button>
          {template && (
            <Button
              look="quiet"
              disabled={busy}
              onClick={() =>
                void call("teams.set-template", { team, upload: null }).then(again).catch(sayFailure)
              }
            >
              Without a template
            </Button>
          )}
        </div>
      )}
    </section>
  );
}
