"use client";

import { useQueryClient } from "@tanstack/react-query";
import dynamic from "next/dynamic";
import { useRouter } from "next/navigation";
import { createContext, useContext, useEffect, useMemo, useRef, useState } from "react";
import { may, type Role } from "@/core/policy/abilities";
import type { Brings } from "../imports/use-preview";
import { addressIntoTray, noteIntoTray } from "./into-tray";
import { holdLetters } from "../shell/hold-letters";
import { call } from "../talk/call";
import { newId } from "../talk/ids";
import { sayFailure } from "../talk/say-failure";
import { useBringing } from "./use-bringing";
import { whatComes } from "./what-comes";

// Opened now and then, and they read files: not in the first load.
const BringIn = dynamic(() => import("./bring-in").then((m) => m.BringIn), { ssr: false });
const ImportDialog = dynamic(() => import("../imports/import-dialog").then((m) => m.ImportDialog), {
  ssr: false,
});
const UploadsPanel = dynamic(() => import("../imports/uploads-panel").then((m) => m.UploadsPanel), {
  ssr: false,
});
const NewCollection = dynamic(() => import("../desk/new-collection").then((m) => m.NewCollection), {
  ssr: false,
});

export type Gathering = {
  /** Opens what asks what to bring in; undefined: this person may not bring anything in. */
  bring?: () => void;
  /** Asks for a file of links. */
  file?: () => void;
  /** Asks for the name of a collection; undefined: this person may not make any. */
  make?: () => void;
};
type Taking = {
  /** Takes what was typed or pasted into a box that takes anything. */
  take?: (text: string) => void;
  /** Takes files that were chosen. */
  takeFiles?: (files: File[]) => void;
};

/** What opens a field, whose script may still be loading: what is typed until it is there goes into it. */
const awaited = (open: () => void) => () => {
  holdLetters();
  open();
};

const GatherContext = createContext<Gathering & Taking>({});
/** How things are brought in from where one is. */
export const useGather = () => useContext(GatherContext);

type Props = {
  team: { id: string; role: Role; guest?: boolean } | null;
  /** A screen that puts what comes in somewhere of its own asks itself. */
  own?: () => void;
  children: React.ReactNode;
};

/**
 * Lets things be brought in from every screen: by the button, by B, by pasting and by dropping files. They wait in the Tray,
 * lists after a look at them.
 */
export function GatherProvider({ team, own, children }: Props) {
  const client = useQueryClient();
  const router = useRouter();
  const [open, setOpen] = useState<"bring" | "file" | "make" | null>(null);
  const id = team?.id ?? "";
  const brings = !!team && may(team.role, "bring");
  const arranges = !!team && !team.guest && may(team.role, "arrange");
  const done = () => {
    void client.invalidateQueries();
    router.refresh();
  };
  const around = { team: id, done, go: (path: string) => router.push(path) };
  const bringing = useBringing({
    allowed: brings && !own,
    into: { team: id },
    paste: (text) => addressIntoTray(text.trim(), around),
    note: (text) => noteIntoTray(text, around),
    // Copied items come as the links they are.
    onClip: () => false,
    onFiles: done,
  });
  const taken = useRef<Required<Taking>>(undefined);
  useEffect(() => {
    taken.current = {
      take: (text) => {
        const what = whatComes(text);
        if (what === "address") addressIntoTray(text.trim(), around);
        else if (what === "list") bringing.setBrings({ name: "", text });
        else if (what === "note") noteIntoTray(text, around);
        else
          void call("collections.make", { team: id, title: text.trim(), collection: newId() })
            .then(({ collection }) => router.push(`/bench/${collection.id}`))
            .catch(sayFailure);
      },
      takeFiles: bringing.bringFiles,
    };
  });
  const ways = useMemo<Gathering & Taking>(
    () => ({
      take: brings && !own ? (text) => taken.current!.take(text) : undefined,
      takeFiles: brings && !own ? (files) => taken.current!.takeFiles(files) : undefined,
      bring: own ? awaited(own) : brings ? awaited(() => setOpen("bring")) : undefined,
      file: brings && !own ? () => setOpen("file") : undefined,
      make: arranges ? awaited(() => setOpen("make")) : undefined,
    }),
    [own, brings, arranges],
  );
  return (
    <GatherContext.Provider value={ways}>
      {children}
      {open === "bring" && (
        <BringIn
          open
          onOpenChange={(on: boolean) => setOpen((old) => (on ? "bring" : old === "bring" ? null : old))}
          team={id}
          onMany={(some: Brings) => (setOpen(null), bringing.setBrings(some))}
        />
      )}
      {!own && (open === "file" || bringing.brings) && (
        <ImportDialog
          open
          onOpenChange={(on: boolean) => on || (setOpen(null), bringing.setBrings(null))}
          team={id}
          arranges={arranges}
          brings={bringing.brings ?? undefined}
        />
      )}
      {open === "make" && (
        <NewCollection
          open
          onOpenChange={(on: boolean) => setOpen(on ? "make" : null)}
          team={id}
          onMade={(made: string) => router.push(`/bench/${made}`)}
        />
      )}
      {!own && bringing.sending && <UploadsPanel />}
    </GatherContext.Provider>
  );
}
