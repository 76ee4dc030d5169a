"use client";

import { useQuery, useQueryClient } from "@tanstack/react-query";
import dynamic from "next/dynamic";
import { useRouter, useSearchParams } from "next/navigation";
import { useState } from "react";
import { may } from "@/core/policy/abilities";
import type { Answer } from "@/services/registry";
import { Button } from "../parts/button";
import { Key } from "../parts/key";
import { isForField } from "../shell/commands";
import { placeResources } from "../shell/place-resources";
import { useWindowKeys } from "../shell/use-window-keys";
import type { TeamRow } from "../shell/who";
import { ask } from "../talk/call";
import { sayUse } from "../tray/say-use";
import { setTray } from "../tray/tray-acts";

const UseFor = dynamic(() => import("../tray/use-for").then((m) => m.UseFor), { ssr: false });
const PlaceDialog = dynamic(() => import("../tray/place-dialog").then((m) => m.PlaceDialog), { ssr: false });

/** What becomes of something that waits, said where it is read; and the way on to the next of a set. */
export function TrayStrip({
  team,
  resource,
  first,
}: {
  team: TeamRow;
  resource: { id: string; title: string };
  first: Answer<"tray.of-resource">;
}) {
  const client = useQueryClient();
  const router = useRouter();
  const then = (useSearchParams().get("then") ?? "").split(",").filter((id) => /^[\da-f-]{36}$/.test(id));
  const [asking, setAsking] = useState<"use" | "place" | null>(null);
  const key = ["tray", team.id, "of", resource.id];
  const { data } = useQuery({
    queryKey: key,
    queryFn: () => ask("tray.of-resource", { resource: resource.id }),
    // A key is meant for it as soon as it can be seen.
    initialData: first,
  });
  const again = () => void client.invalidateQueries({ queryKey: ["tray", team.id] });
  const { entry } = data;
  const [next, ...rest] = then;
  const goOn = () => {
    if (next) router.push(`/read/${next}${rest.length ? `?then=${rest.join(",")}` : ""}`);
  };
  const away = () => {
    setTray(team.id, [resource], "away", again);
    goOn();
  };
  useWindowKeys((event) => {
    if (isForField(event) || event.ctrlKey || event.metaKey || event.altKey) return;
    if (document.querySelector("[role=dialog]")) return;
    const pressed = event.key.toLowerCase();
    if (pressed === "n" && next) goOn();
    else if (!entry) return;
    else if (pressed === "p") away();
    else if (pressed === "u") setAsking("use");
    else return;
    event.preventDefault();
  });
  if (!entry && !next) return null;
  return (
    <section
      aria-label="In your Tray"
      className="mt-8 flex flex-wrap items-center gap-2 rounded-md border border-line bg-sunk px-3 py-2 text-[15px]"
    >
      {entry && (
        <>
          <span className="text-quiet">
            {entry.state === "away" ? "Put away" : `In your Tray${sayUse(entry) ? `: ${sayUse(entry)}` : ""}`}
          </span>
          {may(team.role, "bring") && (
            <Button small onClick={() => setAsking("place")}>
              Place in …
            </Button>
          )}
          <Button small look="quiet" onClick={() => setAsking("use")}>
            Still to use <Key>U</Key>
          </Button>
          {entry.state !== "away" && (
            <Button small look="quiet" onClick={away}>
              Put away <Key>P</Key>
            </Button>
          )}
        </>
      )}
      {next && (
        <Button small look="accent" className="ml-auto" onClick={goOn}>
          Next of {then.length} <Key>N</Key>
        </Button>
      )}
      {asking === "use" && (
        <UseFor
          team={team.id}
          title={`Still to use: ${resource.title}`}
          known={[]}
          onClose={() => setAsking(null)}
          onPick={(use) => {
            setAsking(null);
            setTray(team.id, [resource], "use", again, use);
            goOn();
          }}
        />
      )}
      {asking === "place" && (
        <PlaceDialog
          team={team}
          titles={[resource.title]}
          onClose={() => setAsking(null)}
          onPick={(to, words) => {
            setAsking(null);
            placeResources({
              ...{ team: team.id, resources: [resource.id], to, words },
              done: () => {
                again();
                router.refresh();
              },
              go: (path) => router.push(path),
            });
            goOn();
          }}
        />
      )}
    </section>
  );
}
