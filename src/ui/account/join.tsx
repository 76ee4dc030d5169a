"use client";

import { useState } from "react";
import type { GuestRole } from "@/core/policy/abilities";
import type { Answer } from "@/services/registry";
import { Button } from "../parts/button";
import { call } from "../talk/call";
import { sayFailure } from "../talk/say-failure";
import { GUEST_WORDS } from "../guests/guest-words";
import { ROLE_WORDS } from "../team/role-words";
import { Gate } from "./gate";

/** An invitation, before it is taken. */
export function Join({ code, invitation }: { code: string; invitation: Answer<"invitations.read"> }) {
  const [busy, setBusy] = useState(false);
  const accept = () => {
    setBusy(true);
    call("invitations.accept", { code })
      .then(({ team, collection }) =>
        window.location.assign(collection ? `/bench/${collection}` : `/team/${team}`),
      )
      .catch((error) => (setBusy(false), sayFailure(error)));
  };
  const { title, teamName, role } = invitation;
  const { name, can } = title === null ? ROLE_WORDS[role] : GUEST_WORDS[role as GuestRole];
  const by = invitation.byName ?? "Somebody";
  return (
    <Gate
      title={title === null ? `Join ${teamName}` : title}
      about={
        title === null
          ? `${by} invites you as ${name.toLowerCase()}: ${can}`
          : `${by} lets you into this collection of ${teamName} as ${name.toLowerCase()}: ${can}`
      }
    >
      {invitation.isForMe ? (
        <Button look="accent" onClick={accept} disabled={busy}>
          {title === null ? "Join" : "Open it"}
        </Button>
      ) : (
        <p>
          It was sent to <b className="font-semibold break-all">{invitation.address}</b>. Sign in with that
          mail address, or ask for an invitation to yours.
        </p>
      )}
    </Gate>
  );
}
