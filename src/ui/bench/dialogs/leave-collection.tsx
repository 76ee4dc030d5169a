"use client";

import { Leave } from "../../account/leave";
import { call } from "../../talk/call";
import { useBench } from "../state/bench-context";

type Props = { collection: { id: string; title: string }; onClose: () => void };

/** By which a guest leaves the collection they were let into. */
export function LeaveCollection({ collection: { id, title }, onClose }: Props) {
  const { me } = useBench();
  const leave = (how: { nameless: boolean }) =>
    call("guests.remove", { collection: id, person: me!.id, ...how });
  return <Leave title={title} leave={leave} onClose={onClose} />;
}
