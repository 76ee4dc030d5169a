"use client";

import { useEffect } from "react";
import { toast, Toaster } from "sonner";
import { toastsBy } from "../talk/toast";

/** Where toasts are shown. Loaded with the first of them. */
export function Toasts() {
  useEffect(() => {
    toastsBy((kind, words, more) => void toast[kind](words, more));
    return () => toastsBy(null);
  }, []);
  return (
    <Toaster
      position="bottom-center"
      toastOptions={{
        duration: 8000,
        classNames: {
          toast: "!bg-ink !text-sheet !border-0 !rounded-md !shadow-lift !font-sans !text-[15px]",
          description: "!text-sheet",
          actionButton: "!bg-sheet !text-ink !font-semibold !h-8 !px-3",
          closeButton: "!bg-ink !text-sheet !border-sheet",
        },
      }}
    />
  );
}
