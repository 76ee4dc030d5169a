"use client";

import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { Tooltip } from "radix-ui";
import { useState } from "react";
import { Toaster } from "sonner";

/** What every screen needs around it: kept answers, toasts, tooltips. */
export function Providers({ children }: { children: React.ReactNode }) {
  const [client] = useState(
    () =>
      new QueryClient({
        // What changes is told by the event stream; nothing is asked for again on a mere focus.
        defaultOptions: { queries: { staleTime: 60_000, refetchOnWindowFocus: false, retry: 1 } },
      }),
  );
  return (
    <QueryClientProvider client={client}>
      <Tooltip.Provider delayDuration={500}>{children}</Tooltip.Provider>
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
    </QueryClientProvider>
  );
}
