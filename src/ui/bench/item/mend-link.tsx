"use client";

import { useState } from "react";
import { Button } from "../../parts/button";
import { Field } from "../../parts/field";
import { sayDone } from "../../shell/use-undo";
import { call, Refusal } from "../../talk/call";
import { sayFailure } from "../../talk/say-failure";
import { useBench } from "../state/bench-context";
import type { Item } from "../state/types";

/** By which an item leads to where its page stands now. */
export function MendLink({ item }: { item: Item }) {
  const { team, commands } = useBench();
  const [address, setAddress] = useState<string | null>(null);
  const [error, setError] = useState("");
  if (address === null)
    return (
      <Button small onClick={() => setAddress(item.resource.address)}>
        Give it another address
      </Button>
    );
  const save = () =>
    call("placements.relink", { placement: item.id, address })
      .then(({ items, entry }) => {
        setAddress(null);
        const [now] = items;
        const show = (one: Item) => commands.change(item.id, () => one);
        if (now) show(now);
        sayDone("It leads there now. What was said of it stays.", team, entry, () => show(item));
      })
      .catch((failure: unknown) =>
        failure instanceof Refusal && failure.fields.address
          ? setError(failure.fields.address)
          : sayFailure(failure),
      );
  return (
    <form
      noValidate
      className="flex w-full flex-col gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        void save();
      }}
    >
      <Field
        autoFocus
        label="Where its page stands now"
        type="url"
        inputMode="url"
        maxLength={4000}
        value={address}
        error={error}
        onChange={(event) => (setAddress(event.target.value), setError(""))}
        onKeyDown={(event) => event.key === "Escape" && (event.stopPropagation(), setAddress(null))}
      />
      <span className="flex flex-wrap gap-2">
        <Button small type="submit" look="accent" disabled={address.trim() === item.resource.address}>
          Mend it
        </Button>
        <Button small look="quiet" onClick={() => setAddress(null)}>
          Leave it
        </Button>
      </span>
    </form>
  );
}
