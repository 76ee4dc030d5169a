"use client";

import { useEffect } from "react";
import { toast, Toaster } from "sonner";
import { isForBar, type Said, toastsBy } from "../talk/toast";

/** Where toasts are shown. Loaded with the first of them. */
export function Toasts() {
  useEffect(() => {
    const standing = new Map<string | number, Said>();
    const over = ({ id }: { id: string | number }) => void standing.delete(id);
    toastsBy(
      (kind, words, more) => {
        const id = toast[kind](words, { ...more, onDismiss: over, onAutoClose: over });
        if (isForBar(kind, more)) standing.set(id, { words, more });
      },
      () => {
        const last = [...standing.values()].at(-1) ?? null;
        for (const id of [...standing.keys()]) toast.dismiss(id);
        standing.clear();
        return last;
      },
    );
    return () => toastsBy(null);
  }, []);
  return (
    <Toaster
      position="bottom-center"
      toastOptions={{
        duration: 8000,
        classNames: {
          // Two buttons beside the words would leave these a narrow column; they go below then.
          toast:
            "!bg-ink !text-sheet !border-0 !rounded-md !shadow-lift !font-sans !text-[15px] has-data-cancel:!flex-wrap [&:has([data-cancel])_[data-content]]:!basis-[calc(100%-40px)] [&:has([data-cancel])_[data-action]]:!ml-0",
          description: "!text-sheet",
          actionButton: "!bg-sheet !text-ink !font-semibold !h-8 !px-3",
          cancelButton: "!bg-transparent !text-sheet !font-semibold !h-8 !px-3 !ml-auto underline",
          closeButton: "!bg-ink !text-sheet !border-sheet",
        },
      }}
    />
  );
}
