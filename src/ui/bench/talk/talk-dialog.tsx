"use client";

import { useState } from "react";
import { countOpen } from "@/core/talk/threads";
import { Dialog } from "../../parts/dialog";
import { Choice } from "../../parts/field";
import { useWorkshop } from "../bench-provider";
import { TalkAbout } from "./talk-about";
import { useTalk } from "./use-talk";

/** What is said in the open collection: of itself and its sections here, and the way to what is said of its items. */
export function TalkDialog({ first, onClose }: { first: string; onClose: () => void }) {
  const { head, own, context } = useWorkshop();
  const [about, setAbout] = useState(first);
  const { comments } = useTalk();
  const counts = countOpen(comments);
  const talked = own.filter((item) => counts.has(item.id));
  const sections = head.sections.filter((one) => one.title);
  const said = (id: string) => (counts.has(id) ? ` (${counts.get(id)})` : "");
  return (
    <Dialog open wide onOpenChange={(on) => !on && onClose()} title={`Said in “${head.collection.title}”`}>
      {sections.length > 0 && (
        <Choice
          label="About"
          value={about}
          onChange={(event) => setAbout(event.target.value)}
          options={[
            ["", `The collection as a whole${said("")}`],
            ...sections.map((one) => [one.id, `${one.title}${said(one.id)}`] as const),
          ]}
        />
      )}
      <TalkAbout
        key={about}
        about={about ? { section: about } : {}}
        focus
        label={about ? "Say something about the section" : "Say something about the collection"}
      />
      {talked.length > 0 && (
        <section className="border-t border-line pt-3">
          <h3 className="text-sm font-semibold">About its items</h3>
          <ul className="mt-1 flex flex-col">
            {talked.map((item) => (
              <li key={item.id}>
                <button
                  type="button"
                  className="flex w-full items-baseline gap-3 rounded px-1.5 py-1.5 text-left hover:bg-wash"
                  onClick={() => {
                    onClose();
                    context.commands.select(item.id);
                    context.commands.toggle(item.id, "talk");
                  }}
                >
                  <span className="min-w-0 flex-1 truncate">{item.heading || item.resource.title}</span>
                  <span className="text-sm whitespace-nowrap text-quiet">
                    {counts.get(item.id)} {counts.get(item.id) === 1 ? "comment" : "comments"}
                  </span>
                </button>
              </li>
            ))}
          </ul>
        </section>
      )}
    </Dialog>
  );
}
