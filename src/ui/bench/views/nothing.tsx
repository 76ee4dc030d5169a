"use client";

import { GatherButtons } from "../../gather/gather-buttons";
import { Empty } from "../../parts/empty";
import { useBench } from "../state/bench-context";

/** What an empty collection says. */
export function Nothing() {
  const { arranges } = useBench();
  return (
    <Empty title="Nothing stands here yet">
      <p>
        {arranges
          ? "Copy the address of something worth keeping and paste it here. Or bring things over from the other side."
          : "When the team places something here, you will see it at once."}
      </p>
      {arranges && <GatherButtons ways={["bring"]} />}
    </Empty>
  );
}
