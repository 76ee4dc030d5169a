"use client";

import { useId, useState } from "react";
import type { Answer } from "@/services/registry";
import { Button } from "../../parts/button";
import { Dialog } from "../../parts/dialog";
import { Field } from "../../parts/field";
import { sayDone } from "../../shell/use-undo";
import { ask, call } from "../../talk/call";
import { sayByField, sayFailure } from "../../talk/say-failure";

type House = { from: string; to: string };
type Led = Answer<"links.house">;
type Tried = Answer<"links.try-house">["tried"];
type Props = { team: string; first: House; onClose: () => void; again: () => void };

/** A whole site that has moved: how its addresses begin now, what that leads where, and a few of them tried. */
export function MovedHouse({ team, first, onClose, again }: Props) {
  const [house, setHouse] = useState(first);
  const [shown, setShown] = useState<(Led & House) | null>(null);
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  const [tried, setTried] = useState<Tried | "asking" | null>(null);
  const [errors, setErrors] = useState<Record<string, string>>({});
  const form = useId();
  const write = (part: Partial<House>) => {
    setHouse({ ...house, ...part });
    setErrors({});
    // What was shown is of what stood there before.
    setShown(null);
    setTried(null);
  };
  const look = () =>
    ask("links.house", { team, ...house })
      .then((led) => (setShown({ ...led, ...house }), setLeft(new Set())))
      .catch(sayByField(setErrors));
  const chosen = shown?.links.filter((one) => !left.has(one.resource)) ?? [];
  const tryThem = () => {
    setTried("asking");
    ask("links.try-house", { team, ...house })
      .then((answer) => setTried(answer.tried))
      .catch((error) => (setTried(null), sayFailure(error)));
  };
  const lead = () =>
    call("links.mend-house", { team, ...house, resources: chosen.map((one) => one.resource) })
      .then(({ mended, entry }) => {
        again();
        onClose();
        sayDone(
          mended === 1 ? "1 item leads there now." : `${mended} items lead there now.`,
          team,
          entry,
          again,
        );
      })
      .catch(sayByField(setErrors));
  return (
    <Dialog
      open
      wide
      onOpenChange={(on) => !on && onClose()}
      title="A site has moved"
      about="Everything that begins with one address is led to the same place under another. It is one step, and can be taken back."
    >
      <form
        id={form}
        noValidate
        className="flex flex-col gap-3"
        onSubmit={(event) => (event.preventDefault(), void look())}
      >
        <Field
          label="Its addresses began with"
          type="url"
          value={house.from}
          error={errors.from}
          onChange={(event) => write({ from: event.target.value })}
        />
        <Field
          label="They begin now with"
          type="url"
          value={house.to}
          error={errors.to}
          onChange={(event) => write({ to: event.target.value })}
        />
      </form>
      {shown && (
        <div className="mt-4">
          <p role="status" className="text-[15px]">
            {sayLed(shown)}
          </p>
          <ul
            className="mt-2 max-h-[min(15rem,28vh)] overflow-y-auto scrolls border-y border-line"
            tabIndex={0}
            aria-label="What is led elsewhere"
          >
            {shown.links.map((link) => (
              <li key={link.resource} className="border-b border-line py-2 last:border-0">
                <label className="flex items-start gap-2">
                  <input
                    type="checkbox"
                    className="mt-1 size-4 shrink-0 accent-accent"
                    checked={!left.has(link.resource)}
                    onChange={() => setLeft(without(left, link.resource))}
                  />
                  <span className="min-w-0 text-[15px]">
                    <span className="block break-words">{link.title}</span>
                    <span className="block text-sm break-all text-quiet">{link.to}</span>
                    <Answered tried={tried} resource={link.resource} isSaid={link.isSaid} />
                  </span>
                </label>
              </li>
            ))}
          </ul>
        </div>
      )}
      <div className="mt-4 flex flex-wrap gap-2">
        {!shown ? (
          <Button look="accent" type="submit" form={form}>
            See what that leads where
          </Button>
        ) : (
          <>
            <Button look="accent" disabled={!chosen.length} onClick={() => void lead()}>
              {chosen.length === 1 ? "Lead 1 page there" : `Lead ${chosen.length} pages there`}
            </Button>
            {shown.links.length > 0 && (
              <Button disabled={tried === "asking"} onClick={tryThem}>
                {tried === "asking" ? "Asking …" : "Try a few"}
              </Button>
            )}
          </>
        )}
        <Button look="quiet" onClick={onClose}>
          Cancel
        </Button>
      </div>
    </Dialog>
  );
}

function without(left: ReadonlySet<string>, one: string): ReadonlySet<string> {
  const next = new Set(left);
  if (!next.delete(one)) next.add(one);
  return next;
}

function sayLed({ links, more }: Led): string {
  if (!links.length) return "Nothing that stands in a collection begins with that.";
  const count = links.length === 1 ? "1 page begins with that" : `${links.length} pages begin with that`;
  return more ? `The first ${count}; the others come when these are led.` : `${count}.`;
}

/** What is known of where it would lead: that its site says so, or what was there when it was tried. */
function Answered({
  tried,
  resource,
  isSaid,
}: {
  tried: Tried | "asking" | null;
  resource: string;
  isSaid: boolean;
}) {
  const answer = Array.isArray(tried) ? tried.find((one) => one.resource === resource) : undefined;
  if (answer?.problem)
    return <span className="block text-sm font-semibold text-stop">Tried: {answer.problem}</span>;
  if (answer)
    return (
      <span className="block text-sm">
        Tried: {answer.title ? `“${answer.title}” is there` : "it answers"}
      </span>
    );
  return isSaid ? <span className="block text-sm">Its site says so</span> : null;
}
