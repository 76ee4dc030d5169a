"use client";

import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useCallback, useRef, useState } from "react";
import { sayFragment } from "@/core/marks/fragments";
import type { Quote } from "@/core/marks/selectors";
import type { Answer } from "@/services/registry";
import { ask, call } from "../../talk/call";
import { deliver } from "../../talk/deliver";
import { newId } from "../../talk/ids";
import { RereadAtRest } from "../../talk/reread-at-rest";
import { sayFailure } from "../../talk/say-failure";
import { saveWords } from "../../talk/save-words";

/** Of a long text those of its beginning come with the page, and how many there are. */
export type Marks = Answer<"marks.of-resource">;
export type Mark = Marks["marks"][number];
export type Meaning = Marks["meanings"][number];

/**
 * What is marked: a passage of a copy; a part of what has no words, or of what has some that stand in no copy; or the whole.
 */
export type Marked =
  { quote: Quote; start: number; end: number; version: number } | { quote?: Quote; fragment: string } | null;

/** The marks of a resource as one sees them, and what can be done with them; it shows at once and is sent behind. */
export function useMarks(resource: string, me: { id: string; name: string }, first: Marks) {
  const client = useQueryClient();
  const key = ["marks", resource];
  /** Marks that are being sent for the first time, which can be written on only when they have arrived. */
  const underWay = useRef(new Map<string, Promise<void>>());
  const { data } = useQuery({
    queryKey: key,
    queryFn: async (): Promise<Marks> => ask("marks.of-resource", { resource }),
    initialData: first,
    // The others are asked for at once.
    ...(first.counted && { initialDataUpdatedAt: 0 }),
  });
  const [rest] = useState(
    () =>
      new RereadAtRest(
        () => void client.invalidateQueries({ queryKey: key }),
        () => void client.cancelQueries({ queryKey: key }),
      ),
  );
  const again = useCallback(() => rest.again(), [rest]);
  const put = (next: (old: Mark[]) => Mark[]) =>
    client.setQueryData<Marks>(key, (old) => old && { ...old, marks: next(old.marks) });
  const set = (mark: Mark) => put((old) => old.map((one) => (one.id === mark.id ? mark : one)));
  /** What did not come to pass is read as it stands. */
  const refused = (failure: unknown) => {
    sayFailure(failure);
    again();
  };

  const add = (
    marked: Marked,
    more: { private: boolean; meaning?: string | null; note?: string },
  ): string => {
    const id = newId();
    const now = new Date().toISOString();
    const passage = marked && "start" in marked ? marked : null;
    const fragment = marked && "fragment" in marked ? marked.fragment : "";
    const { exact = "", prefix = "", suffix = "" } = marked?.quote ?? {};
    const fresh: Mark = {
      ...{ id, resource, by: me, private: more.private, meaning: more.meaning ?? null },
      ...{ quote: exact, prefix, suffix, fragment, note: more.note ?? "" },
      ...{ version: passage?.version ?? null, start: passage?.start ?? null, end: passage?.end ?? null },
      ...{ sure: passage ? 100 : null, createdAt: now, updatedAt: now },
    };
    put((old) => inOrder([...old, fresh]));
    const sending = deliver(
      "marks.add",
      {
        ...{
          mark: id,
          resource,
          private: more.private,
          meaning: more.meaning ?? null,
          note: more.note ?? "",
        },
        ...(fragment && { fragment }),
        ...(marked?.quote && { selector: { type: "TextQuoteSelector", ...marked.quote } }),
        ...(passage && { start: passage.start, end: passage.end, version: passage.version }),
      },
      `mark:${id}`,
      exact || fresh.note || sayFragment(fragment),
    );
    const arrived = rest.during(sending).then(({ mark }) => {
      // What was typed since stands in the field.
      put((old) => old.map((one) => (one.id === id ? { ...mark, note: one.note } : one)));
    }, refused);
    underWay.current.set(id, arrived);
    void arrived.finally(() => underWay.current.delete(id));
    return id;
  };
  return {
    ...data,
    again,
    add,
    /** Resolves when a mark that is being sent for the first time has arrived. */
    arrived: async (mark: string) => underWay.current.get(mark),
    write: async (mark: Mark, note: string, base: string[]) => {
      const change = (next: (one: Mark) => Mark) =>
        put((old) => old.map((one) => (one.id === mark.id ? next(one) : one)));
      change((one) => ({ ...one, note }));
      await underWay.current.get(mark.id);
      const { mark: now } = await rest.during(saveWords("marks.edit", mark.id, "note", note, base));
      // What others wrote meanwhile stands there too; unless one has written on.
      change((one) => (one.note === note ? { ...one, note: now.note } : one));
      return now.note;
    },
    mean: (mark: Mark, meaning: string | null) => {
      set({ ...mark, meaning });
      rest.during(call("marks.edit", { mark: mark.id, meaning })).catch(refused);
    },
    /** Another part of it: to where a stretch goes, how large a region is. */
    reach: (mark: Mark, fragment: string) => {
      set({ ...mark, fragment });
      rest
        .during(
          (underWay.current.get(mark.id) ?? Promise.resolve()).then(() =>
            call("marks.edit", { mark: mark.id, fragment }),
          ),
        )
        .catch(refused);
    },
    show: (mark: Mark, isPrivate: boolean) => {
      set({ ...mark, private: isPrivate });
      rest.during(call("marks.set-private", { mark: mark.id, private: isPrivate })).catch(refused);
    },
    remove: (mark: Mark) => {
      put((old) => old.filter((one) => one.id !== mark.id));
      rest.during(call("marks.remove", { mark: mark.id })).catch(refused);
    },
    restore: (mark: Mark) => {
      rest.during(call("marks.restore", { mark: mark.id })).catch(refused);
    },
  };
}

/** By where they stand; what stands nowhere comes last. */
const inOrder = (marks: Mark[]): Mark[] =>
  marks.toSorted((a, b) => (a.start ?? Infinity) - (b.start ?? Infinity) || (a.id < b.id ? -1 : 1));
