"use client";

import { useQueryClient } from "@tanstack/react-query";
import Link from "next/link";
import { useState } from "react";
import { toast } from "sonner";
import type { Answer } from "@/services/registry";
import { Button } from "../parts/button";
import { Dialog } from "../parts/dialog";
import { Field } from "../parts/field";
import { call, Refusal } from "../talk/call";
import { sayFailure } from "../talk/say-failure";

type Props = {
  open: boolean;
  onOpenChange: (open: boolean) => void;
  team: string;
  /** The open collection, when there is one: what is brought in goes there. */
  into?: { title: string; capture: (address: string) => Promise<void> };
};

/** Brings in one address, typed or pasted into a field. */
export function BringIn({ open, onOpenChange, team, into }: Props) {
  const client = useQueryClient();
  const [address, setAddress] = useState("");
  const [error, setError] = useState("");
  const [found, setFound] = useState<Answer<"capture.address"> | null>(null);
  const bring = async () => {
    setError("");
    try {
      if (into) await into.capture(address);
      else {
        const answer = await call("capture.address", { team, address });
        if (answer.already) return setFound(answer);
        toast("It waits in your Tray.");
        void client.invalidateQueries({ queryKey: ["tray", team] });
      }
      setAddress("");
      onOpenChange(false);
    } catch (failure) {
      if (failure instanceof Refusal && failure.fields.address) setError(failure.fields.address);
      else sayFailure(failure);
    }
  };
  return (
    <Dialog
      open={open}
      onOpenChange={(on) => {
        setFound(null);
        onOpenChange(on);
      }}
      title="Bring in"
      about={
        into
          ? `It goes to ${into.title}. On the Bench you can also paste without opening this.`
          : "It waits in your Tray until you place it."
      }
    >
      <form
        noValidate
        className="flex flex-col gap-4"
        onSubmit={(event) => {
          event.preventDefault();
          void bring();
        }}
      >
        <Field
          label="Web address"
          type="url"
          inputMode="url"
          value={address}
          error={error}
          autoFocus
          placeholder="https://"
          onChange={(event) => (setAddress(event.target.value), setError(""), setFound(null))}
        />
        {found && (
          <p role="status" className="rounded-md bg-warn-wash p-3">
            This is in the catalogue already: <b>{found.resource.title}</b>
            {found.places.length > 0 && (
              <>
                , in{" "}
                {found.places.map((place, i) => (
                  <span key={place.collection}>
                    {i > 0 && ", "}
                    <Link href={`/bench/${place.collection}`} className="underline">
                      {place.title}
                    </Link>
                  </span>
                ))}
              </>
            )}
            .
          </p>
        )}
        <Button look="deed" type="submit" className="self-end">
          Bring it in
        </Button>
      </form>
    </Dialog>
  );
}
