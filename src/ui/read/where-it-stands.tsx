"use client";

import dynamic from "next/dynamic";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { may } from "@/core/policy/abilities";
import type { Answer } from "@/services/registry";
import { Elsewhere } from "../bench/item/elsewhere";
import { Button } from "../parts/button";
import { Dialog } from "../parts/dialog";
import type { TeamRow } from "../shell/frame";
import { placeResources } from "../shell/place-resources";

const Destination = dynamic(() => import("../bench/dialogs/destination").then((m) => m.Destination), {
  ssr: false,
});

type Props = { team: TeamRow; resource: { id: string; title: string } } & Pick<
  Answer<"resources.read">,
  "places"
>;

/** The places where a thing stands, and the way to one more. */
export function WhereItStands({ team, resource, places }: Props) {
  const router = useRouter();
  const [placing, setPlacing] = useState(false);
  const brings = may(team.role, "bring");
  return (
    <>
      {places.length > 0 ? (
        <Elsewhere places={places} title="Stands in" />
      ) : (
        <p className="text-[15px] text-quiet">It stands in no collection.</p>
      )}
      {brings && (
        <Button small className="mt-3" onClick={() => setPlacing(true)}>
          {places.length ? "Place in … too" : "Place in …"}
        </Button>
      )}
      {placing && (
        <Dialog open onOpenChange={setPlacing} title={`Place “${resource.title}”`}>
          <Destination
            team={team.id}
            makes={may(team.role, "arrange") && !team.guest}
            words=""
            onPick={(to, words) => {
              setPlacing(false);
              placeResources({
                ...{ team: team.id, resources: [resource.id], to, words },
                done: () => router.refresh(),
                go: (path) => router.push(path),
              });
            }}
          />
        </Dialog>
      )}
    </>
  );
}
