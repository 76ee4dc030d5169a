"use client";

import { useQuery, useQueryClient } from "@tanstack/react-query";
import { GUEST_ROLES, type GuestRole } from "@/core/policy/abilities";
import type { Answer } from "@/services/registry";
import { Button } from "../parts/button";
import { Dialog } from "../parts/dialog";
import { Choice } from "../parts/field";
import { PersonMark } from "../parts/person-mark";
import { ask, call } from "../talk/call";
import { sayFailure } from "../talk/say-failure";
import { toast } from "../talk/toast";
import { type Inviting, Invitations } from "../team/invitations";
import { GUEST_WORDS } from "./guest-words";

type Props = { collection: { id: string; title: string }; onClose: () => void };

const OPTIONS = GUEST_ROLES.toReversed().map((role) => [role, GUEST_WORDS[role].name] as const);

/** Who is let into this collection without being in the team, as what, and how others are. */
export function Guests({ collection: { id, title }, onClose }: Props) {
  const client = useQueryClient();
  const { data } = useQuery({
    queryKey: ["guests", id],
    queryFn: () => ask("guests.read", { collection: id }),
    staleTime: 0,
  });
  const again = () => {
    void client.invalidateQueries({ queryKey: ["guests", id] });
    // How many there are stands in the head.
    void client.invalidateQueries({ queryKey: ["collection", id] });
  };
  const after = (work: Promise<unknown>) => work.then(again).catch((error) => (sayFailure(error), again()));
  return (
    <Dialog
      open
      wide
      onOpenChange={(on) => !on && onClose()}
      title={`Guests of “${title}”`}
      about="They see this collection, the ones inside it and what stands in them, and nothing else of the team."
    >
      {data && (
        <>
          {data.guests.length > 0 && (
            <ul aria-label="Guests" className="border-t border-line">
              {data.guests.map((one) => (
                <Guest key={one.id} collection={id} one={one} after={after} />
              ))}
            </ul>
          )}
          <Invitations inviting={intoCollection(id)} invitations={data.invitations} after={after} />
        </>
      )}
    </Dialog>
  );
}

const intoCollection = (collection: string): Inviting<GuestRole> => ({
  first: "viewer",
  roles: GUEST_ROLES.toReversed(),
  words: GUEST_WORDS,
  send: (role, addresses) => call("guests.invite", { collection, role, addresses }),
  link: (role, how) => call("guests.make-link", { collection, role, ...how }),
  end: (invitation) => call("guests.end-invitation", { collection, invitation }),
  already: "here already",
});

type Row = { collection: string; one: Answer<"guests.read">["guests"][number] };

function Guest({ collection, one, after }: Row & { after: (work: Promise<unknown>) => void }) {
  const { id: person, name } = one;
  return (
    <li className="flex flex-wrap items-center gap-x-3 gap-y-2 border-b border-line py-2.5">
      <PersonMark person={one} className="size-9" />
      <span className="min-w-0 flex-1 max-sm:basis-3/4">
        <span className="block font-semibold break-words">{name}</span>
        <span className="block truncate text-sm text-quiet">{one.email}</span>
      </span>
      <Choice
        hideLabel
        label={`What ${name} may do`}
        options={OPTIONS}
        value={one.role}
        onChange={(event) =>
          after(call("guests.set-role", { collection, person, role: event.target.value as GuestRole }))
        }
        className="w-36"
      />
      <Button
        small
        look="stop"
        aria-label={`Take ${name} out`}
        onClick={() =>
          after(
            call("guests.remove", { collection, person }).then(() =>
              toast(`${name} is out. What they made stays.`),
            ),
          )
        }
      >
        Take out
      </Button>
    </li>
  );
}
