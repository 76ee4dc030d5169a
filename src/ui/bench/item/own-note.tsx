"use client";

import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useRef } from "react";
import { SavedText } from "../../parts/saved-text";
import { ask, call } from "../../talk/call";
import { saveWords } from "../../talk/save-words";
import { useBench } from "../state/bench-context";

/** A note on a thing that nobody else sees: a private mark on the whole of it, found by one's own search alone. */
export function OwnNote({ resource }: { resource: string }) {
  const { me } = useBench();
  const client = useQueryClient();
  const { data } = useQuery({
    queryKey: ["marks", resource],
    queryFn: () => ask("marks.of-resource", { resource }),
  });
  const there = data?.marks.find((one) => one.private && !one.quote && !one.fragment && one.by.id === me?.id);
  // What is there after what was saved here last, which may be newer than what is shown.
  const now = useRef<{ id: string | null } | null>(null);
  const last = useRef<Promise<unknown>>(Promise.resolve());
  if (!data || !me) return null;
  const step = async (note: string, base: string[]) => {
    const id = now.current ? now.current.id : (there?.id ?? null);
    if (!note.trim()) {
      if (id) await call("marks.remove", { mark: id });
      now.current = { id: null };
    } else if (id) await saveWords("marks.edit", id, "note", note, base);
    else {
      const { mark } = await call("marks.add", { resource, private: true, note });
      now.current = { id: mark.id };
    }
    await client.invalidateQueries({ queryKey: ["marks", resource] });
  };
  // One after the other: the first makes the note, the next change it.
  const save = (note: string, base: string[]) => {
    const next = last.current.catch(() => undefined).then(() => step(note, base));
    last.current = next;
    return next;
  };
  return (
    <SavedText
      lines
      label="Note for yourself"
      hint="Nobody else sees it. Your own search finds it."
      value={there?.note ?? ""}
      maxLength={4_000}
      onSave={save}
    />
  );
}
