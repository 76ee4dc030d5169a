"use client";

import { useState } from "react";
import { Button } from "../parts/button";
import { Dialog } from "../parts/dialog";
import { Area, Field } from "../parts/field";
import { call } from "../talk/call";
import { newId } from "../talk/ids";
import { sayAtField } from "../talk/say-failure";

type Props = {
  open: boolean;
  onOpenChange: (open: boolean) => void;
  team: string;
  parent?: { id: string; title: string };
  onMade: (id: string) => void;
};

/** Makes a collection from a name; everything else comes later. */
export function NewCollection({ open, onOpenChange, team, parent, onMade }: Props) {
  const [title, setTitle] = useState("");
  const [description, setDescription] = useState("");
  const [error, setError] = useState("");
  const [id] = useState(newId);
  const [busy, setBusy] = useState(false);
  const make = async () => {
    setBusy(true);
    try {
      const { collection } = await call("collections.make", {
        team,
        title,
        description,
        parent: parent?.id ?? null,
        collection: id,
      });
      onMade(collection.id);
    } catch (failure) {
      sayAtField("title", setError)(failure);
    }
    setBusy(false);
  };
  return (
    <Dialog
      open={open}
      onOpenChange={onOpenChange}
      title={parent ? `New collection in ${parent.title}` : "New collection"}
      about="A working name will do. Renaming is cheap and breaks no link."
    >
      <form
        noValidate
        className="flex flex-col gap-4"
        onSubmit={(event) => {
          event.preventDefault();
          void make();
        }}
      >
        <Field
          label="Title"
          value={title}
          error={error}
          autoFocus
          onChange={(event) => (setTitle(event.target.value), setError(""))}
        />
        <Area
          label="What it is for (may wait)"
          value={description}
          onChange={(event) => setDescription(event.target.value)}
        />
        <Button look="accent" type="submit" disabled={busy} className="self-end">
          Make it
        </Button>
      </form>
    </Dialog>
  );
}
