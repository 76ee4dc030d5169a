"use client";

import { useQuery } from "@tanstack/react-query";
import { RadioGroup } from "radix-ui";
import { useState } from "react";
import { Button } from "../parts/button";
import { Dialog } from "../parts/dialog";
import { ask } from "../talk/call";

export type Tag = { id: string; name: string; count: number };

/** Which of several tags stays, and what that means, before it is done. */
export function MergeDialog({
  tags,
  onClose,
  onMerge,
}: {
  tags: Tag[];
  onClose: () => void;
  onMerge: (kept: Tag, others: Tag[]) => void;
}) {
  const [keep, setKeep] = useState(() => tags.toSorted((a, b) => b.count - a.count)[0]!.id);
  const kept = tags.find((one) => one.id === keep)!;
  const others = tags.filter((one) => one.id !== keep);
  const preview = useQuery({
    queryKey: ["merge", keep, others.map((one) => one.id)],
    queryFn: () => ask("tags.preview-merge", { tag: keep, others: others.map((one) => one.id) }),
  });
  return (
    <Dialog
      open
      onOpenChange={(on) => !on && onClose()}
      title={`Merge ${tags.length} tags`}
      about="What carries one of the others carries the one that stays instead. It can be undone."
    >
      <RadioGroup.Root
        value={keep}
        onValueChange={setKeep}
        aria-label="Which stays"
        className="flex flex-col"
      >
        {tags.map((tag) => (
          <label
            key={tag.id}
            htmlFor={`keep-${tag.id}`}
            className="flex cursor-pointer items-center gap-3 rounded-md px-2 py-1.5 hover:bg-wash"
          >
            <RadioGroup.Item
              id={`keep-${tag.id}`}
              value={tag.id}
              className="flex size-5 items-center justify-center rounded-full border border-edge"
            >
              <RadioGroup.Indicator className="size-2.5 rounded-full bg-accent" />
            </RadioGroup.Item>
            <span className="flex-1 font-semibold">{tag.name}</span>
            <span className="text-sm text-quiet">{uses(tag.count)}</span>
          </label>
        ))}
      </RadioGroup.Root>
      <p className="text-[15px] text-quiet" aria-live="polite">
        {preview.data
          ? `“${kept.name}” is on ${uses(preview.data.before)} now, and on ${uses(preview.data.after)} afterwards. ${others.map((one) => `“${one.name}”`).join(", ")} will be gone.`
          : "Counting …"}
      </p>
      <Button look="accent" className="self-end" onClick={() => onMerge(kept, others)}>
        Merge into {kept.name}
      </Button>
    </Dialog>
  );
}

/** A count of use, in words. */
export const uses = (count: number) =>
  count === 0 ? "nothing" : count === 1 ? "1 thing" : `${count.toLocaleString("en-GB")} things`;
