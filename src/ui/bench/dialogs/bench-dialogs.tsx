"use client";

import { useQuery } from "@tanstack/react-query";
import dynamic from "next/dynamic";
import { useRouter } from "next/navigation";
import { ask } from "../../talk/call";
import type { BringIn as BringInForm } from "../../gather/bring-in";
import type { BenchWindow } from "../state/bench-state";
import type { Brings } from "../../imports/use-preview";

const BringIn = dynamic(() => import("../../gather/bring-in").then((m) => m.BringIn), { ssr: false });
const ImportDialog = dynamic(() => import("../../imports/import-dialog").then((m) => m.ImportDialog), {
  ssr: false,
});
const SaveAsDialog = dynamic(() => import("../../export/save-as-dialog").then((m) => m.SaveAsDialog), {
  ssr: false,
});
const HandOut = dynamic(() => import("../../handouts/hand-out").then((m) => m.HandOut), { ssr: false });
const Guests = dynamic(() => import("../../guests/guests").then((m) => m.Guests), { ssr: false });
const LeaveCollection = dynamic(() => import("./leave-collection").then((m) => m.LeaveCollection), {
  ssr: false,
});
const TalkDialog = dynamic(() => import("../talk/talk-dialog").then((m) => m.TalkDialog), { ssr: false });
const NewCollection = dynamic(() => import("../../desk/new-collection").then((m) => m.NewCollection), {
  ssr: false,
});

/** The small windows of the Bench by which something new comes into the open collection. */
export function BenchDialogs({
  open,
  brings,
  team,
  collection,
  section,
  arranges,
  capture,
  onOpen,
  onBrings,
}: {
  open: BenchWindow | null;
  brings: Brings | null;
  team: string;
  collection: { id: string; title: string; parent: string | null; guest: boolean };
  section: string | null;
  arranges: boolean;
  capture: NonNullable<React.ComponentProps<typeof BringInForm>["into"]>["capture"];
  onOpen: (dialog: BenchWindow | null) => void;
  onBrings: (brings: Brings | null) => void;
}) {
  const router = useRouter();
  const tree = useQuery({
    queryKey: ["tree", team],
    queryFn: () => ask("collections.tree", { team }),
    enabled: open === "beside",
  });
  const above = tree.data?.collections.find((one) => one.id === collection.parent);
  const into = { id: collection.id, title: collection.title, section };
  return (
    <>
      {open === "save" && (
        <SaveAsDialog
          team={team}
          collection={collection.id}
          count={`“${collection.title}”`}
          onClose={() => onOpen(null)}
        />
      )}
      {open === "hand-out" && <HandOut team={team} collection={collection} onClose={() => onOpen(null)} />}
      {open === "guests" && <Guests collection={collection} onClose={() => onOpen(null)} />}
      {open === "leave" && <LeaveCollection collection={collection} onClose={() => onOpen(null)} />}
      {open === "bring" && (
        <BringIn
          open
          onOpenChange={(on: boolean) => onOpen(on ? "bring" : null)}
          team={team}
          into={{ ...into, capture }}
          onMany={collection.guest ? undefined : onBrings}
        />
      )}
      {brings && (
        <ImportDialog
          open
          onOpenChange={(on: boolean) => !on && onBrings(null)}
          team={team}
          arranges={arranges}
          into={into}
          brings={brings}
        />
      )}
      {open?.startsWith("talk:") && (
        <TalkDialog first={open.slice("talk:".length)} onClose={() => onOpen(null)} />
      )}
      {(open === "inside" || (open === "beside" && (!collection.parent || above))) && (
        <NewCollection
          open
          onOpenChange={(on: boolean) => onOpen(on ? open : null)}
          team={team}
          parent={open === "inside" ? collection : above}
          onMade={(made: string) => router.push(`/bench/${made}`)}
        />
      )}
    </>
  );
}
