"use client";

import { useState } from "react";
import type { Answer } from "@/services/registry";
import { Button } from "../../parts/button";
import { Area } from "../../parts/field";
import { call } from "../../talk/call";
import { sayFailure } from "../../talk/say-failure";
import { toast } from "../../talk/toast";

/** Puts the text of a resource in by hand: what could not be fetched can be pasted. */
export function PasteText({
  resource,
  onDone,
}: {
  resource: string;
  onDone: (card: Answer<"resources.paste-text">["resource"]) => void;
}) {
  const [text, setText] = useState<string | null>(null);
  const [html, setHtml] = useState("");
  if (text === null)
    return (
      <Button small onClick={() => setText("")}>
        Paste its text
      </Button>
    );
  return (
    <form
      className="flex w-full flex-col gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        void call("resources.paste-text", { resource, text, ...(html && { html }) })
          .then((answer) => (setText(null), onDone(answer.resource), toast("Kept as its reading copy.")))
          .catch(sayFailure);
      }}
    >
      <Area
        label="Its text"
        hint="Copy it from the page and paste it here; headings and lists come along."
        rows={5}
        autoFocus
        value={text}
        onPaste={(event) => setHtml(event.clipboardData.getData("text/html"))}
        onChange={(event) => setText(event.target.value)}
      />
      <div className="flex gap-2">
        <Button small look="accent" type="submit" disabled={!text.trim()}>
          Keep it
        </Button>
        <Button small look="quiet" onClick={() => setText(null)}>
          Cancel
        </Button>
      </div>
    </form>
  );
}
