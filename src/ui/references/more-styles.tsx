"use client";

import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useDeferredValue, useRef, useState } from "react";
import { LONGEST_STYLE, type StyleId } from "@/core/cite/styles";
import { Button } from "../parts/button";
import { Dialog } from "../parts/dialog";
import { Field } from "../parts/field";
import { ask, call, Refusal } from "../talk/call";
import { sayFailure, whyOf } from "../talk/say-failure";
import { toast } from "../talk/toast";

/** All styles there are: looked for by name among those of the installation, and those the team has added from files. */
export function MoreStyles({
  team,
  onClose,
  onPick,
}: {
  team: string;
  onClose: () => void;
  onPick: (style: StyleId) => void;
}) {
  const client = useQueryClient();
  const [typed, setTyped] = useState("");
  const [wrong, setWrong] = useState<string>();
  const [busy, setBusy] = useState(false);
  const file = useRef<HTMLInputElement>(null);
  const find = useDeferredValue(typed.trim());
  const { data, error, isFetching } = useQuery({
    queryKey: ["styles", team, "more", find],
    queryFn: () => ask("references.styles", { team, ...(find && { find }) }),
    placeholderData: (before) => before,
  });
  const again = () => client.invalidateQueries({ queryKey: ["styles", team] });
  const pick = (style: StyleId) => {
    onPick(style);
    onClose();
  };
  const add = async (chosen: File | undefined) => {
    if (!chosen) return;
    setWrong(undefined);
    if (chosen.size > LONGEST_STYLE) return setWrong("This file is larger than any style.");
    setBusy(true);
    try {
      const { style } = await call("references.add-style", { team, xml: await chosen.text() });
      await again();
      toast(`“${style.name}” is among the styles of the team.`);
      pick(style.id);
    } catch (refused) {
      setWrong(refused instanceof Refusal ? (refused.fields.xml ?? refused.detail) : whyOf(refused));
    } finally {
      setBusy(false);
      if (file.current) file.current.value = "";
    }
  };
  const offer = (style: StyleId, name: string, offered: boolean): Promise<void> =>
    call("references.offer-style", { team, style, offered })
      .then(again)
      .then(() => {
        if (!offered)
          toast(`“${name}” is off the list. What is set in it stays so.`, {
            action: { label: "Undo", onClick: () => void offer(style, name, true) },
          });
      })
      .catch(sayFailure);
  const words = find.toLowerCase().split(/\s+/).filter(Boolean);
  const fits = ({ name }: { name: string }) => words.every((word) => name.toLowerCase().includes(word));
  const shipped = find ? (data?.shipped ?? []).filter(fits) : [];
  const found = [...shipped, ...(data?.found ?? [])];
  const own = (data?.own ?? []).filter(fits);
  return (
    <Dialog open onOpenChange={(on) => !on && onClose()} title="Citation styles">
      <Field
        autoFocus
        label="Look for a style"
        placeholder="A journal, a society, a guide"
        hint={
          data &&
          (data.installed
            ? `${(data.installed + data.shipped.length).toLocaleString("en")} styles are here.`
            : undefined)
        }
        value={typed}
        maxLength={120}
        onChange={(event) => setTyped(event.target.value)}
      />
      {error ? (
        <p className="text-quiet">{whyOf(error)}</p>
      ) : (
        find && (
          <ul
            aria-label="Styles found"
            aria-busy={isFetching}
            className="scrolls max-h-[34vh] divide-y divide-line overflow-y-auto border-y border-line"
          >
            {found.map(({ id, name }) => (
              <li key={id}>
                <button type="button" className={LOOK} onClick={() => pick(id)}>
                  {name}
                </button>
              </li>
            ))}
            {data && !isFetching && !found.length && (
              <li className="px-2 py-2.5 text-quiet">
                No style of this name is here. As a file it can be added beneath.
              </li>
            )}
          </ul>
        )
      )}
      {own.length > 0 && (
        <section>
          <h3 className="text-sm font-semibold">Of the team</h3>
          <ul className="divide-y divide-line border-y border-line">
            {own.map(({ id, name }) => (
              <li key={id} className="flex items-center gap-2">
                <button
                  type="button"
                  className={`${LOOK} min-w-0 flex-1 break-words`}
                  onClick={() => pick(id)}
                >
                  {name}
                </button>
                {data?.mayAdd && (
                  <Button
                    small
                    look="quiet"
                    aria-label={`Take “${name}” off the list`}
                    onClick={() => void offer(id, name, false)}
                  >
                    Take off
                  </Button>
                )}
              </li>
            ))}
          </ul>
        </section>
      )}
      {data?.mayAdd && (
        <div className="flex flex-col gap-1">
          <label className="text-sm font-semibold" htmlFor="style-file">
            Add a style from a file (CSL)
          </label>
          <input
            ref={file}
            id="style-file"
            type="file"
            accept=".csl,.xml"
            disabled={busy}
            aria-invalid={!!wrong}
            aria-describedby="style-file-says"
            className="text-[15px] file:mr-3 file:h-9 file:cursor-pointer file:rounded-md file:border file:border-edge file:bg-sheet file:px-3 file:font-semibold"
            onChange={(event) => void add(event.target.files?.[0])}
          />
          <p
            id="style-file-says"
            role={wrong ? "alert" : undefined}
            className={`text-sm break-words ${wrong ? "text-stop" : "text-quiet"}`}
          >
            {wrong ?? "It is looked over before it is taken, and is then there for everybody in the team."}
          </p>
        </div>
      )}
    </Dialog>
  );
}

// The list scrolls, and would cut an outline around.
const LOOK = "block w-full rounded-sm -outline-offset-2 px-2 py-2.5 text-left hover:bg-wash";
