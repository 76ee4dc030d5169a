"use client";

import { useState } from "react";
import type { Answer } from "@/services/registry";
import { Button } from "../parts/button";
import { call } from "../talk/call";
import { sayFailure } from "../talk/say-failure";
import { ROLE_WORDS } from "../team/role-words";
import { Gate } from "./gate";

/** An invitation, before it is taken. */
export function Join({ code, invitation }: { code: string; invitation: Answer<"invitations.read"> }) {
  const [busy, setBusy] = useState(false);
  const accept = () => {
    setBusy(true);
    call("invitations.accept", { code })
      .then(({ team }) => window.location.assign(`/team/${team}`))
      .catch((error) => (setBusy(false), sayFailure(error)));
  };
  const { name, can } = ROLE_WORDS[invitation.role];
  return (
    <Gate
      title={`Join ${invitation.teamName}`}
      about={`${invitation.byName ?? "Somebody"} invites you as ${name.toLowerCase()}: ${can}`}
    >
      {invitation.isForMe ? (
        <Button look="accent" onClick={accept} disabled={busy}>
          Join
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
