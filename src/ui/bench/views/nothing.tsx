"use client";

import { Empty } from "../../parts/empty";
import { useBench } from "../state/bench-context";

/** What an empty collection says. */
export function Nothing() {
  const { arranges } = useBench();
  return (
    <Empty title="Nothing stands here yet">
      <p>
        {arranges
          ? "Copy the address of something worth keeping and press Ctrl V here. Or drag things over from the other side."
          : "When the team places something here, you will see it at once."}
      </p>
    </Empty>
  );
}
