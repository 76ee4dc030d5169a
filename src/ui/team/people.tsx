"use client";

import { useRouter } from "next/navigation";
import { useState } from "react";
import { toast } from "../talk/toast";
import { may, type Role, ROLES } from "@/core/policy/abilities";
import type { Answer } from "@/services/registry";
import { Leave } from "../account/leave";
import { Button, buttonLook } from "../parts/button";
import { Choice } from "../parts/field";
import { PersonMark } from "../parts/person-mark";
import { StyleChoice } from "../references/style-choice";
import { Frame, type Me, type TeamRow } from "../shell/frame";
import { call } from "../talk/call";
import { sayFailure } from "../talk/say-failure";
import { Invitations, type Inviting } from "./invitations";
import { ROLE_OPTIONS, ROLE_WORDS } from "./role-words";
import { Template } from "./template";

type Props = {
  me: Me;
  teams: TeamRow[];
  team: TeamRow;
  people: Answer<"members.read">;
  dead: Answer<"jobs.dead">["jobs"];
};

/** Who is in the team, as what, and how others join. */
export function People({ me, teams, team, people, dead }: Props) {
  const router = useRouter();
  const owner = may(people.role, "manage");
  const [style, setStyle] = useState(team.citationStyle);
  const [leaving, setLeaving] = useState(false);
  const after = (work: Promise<unknown>) =>
    work.then(() => router.refresh()).catch((error) => (sayFailure(error), router.refresh()));
  return (
    <Frame me={me} teams={teams} team={team}>
      <main id="main" className="min-h-0 flex-1 overflow-y-auto px-4 pb-16">
        <div className="mx-auto flex max-w-3xl flex-col gap-8 pt-6">
          <header className="flex flex-col gap-3">
            {owner ? (
              <TeamName team={team} />
            ) : (
              <h1 className="font-serif text-3xl font-semibold">{team.name}</h1>
            )}
          </header>
          <section>
            <h2 className="border-b border-line pb-2 font-serif text-xl font-semibold">People</h2>
            <ul>
              {people.members.map((member) => (
                <li
                  key={member.id}
                  className="flex flex-wrap items-center gap-x-3 gap-y-2 border-b border-line py-2.5"
                >
                  <PersonMark person={member} className="size-9" />
                  <span className="min-w-0 flex-1 max-sm:basis-3/4">
                    <span className="block font-semibold break-words">
                      {member.name}
                      {member.id === me.id && <span className="font-normal text-quiet"> (you)</span>}
                    </span>
                    <span className="block truncate text-sm text-quiet">{member.email}</span>
                  </span>
                  {owner ? (
                    <Choice
                      hideLabel
                      label={`Role of ${member.name}`}
                      options={ROLE_OPTIONS}
                      value={member.role}
                      onChange={(event) =>
                        after(
                          call("members.set-role", {
                            team: team.id,
                            person: member.id,
                            role: event.target.value as Role,
                          }),
                        )
                      }
                      className="w-36"
                    />
                  ) : (
                    <span className="text-[15px] text-quiet">{ROLE_WORDS[member.role].name}</span>
                  )}
                  {(owner || member.id === me.id) && !team.own && (
                    <Button
                      small
                      look="stop"
                      className="w-24"
                      onClick={() =>
                        member.id === me.id
                          ? setLeaving(true)
                          : call("members.remove", { team: team.id, person: member.id })
                              .then(() => {
                                toast(
                                  `${member.name} is out. What they made stays; their mail addresses for this team have ended.`,
                                );
                                router.refresh();
                              })
                              .catch(sayFailure)
                      }
                    >
                      {member.id === me.id ? "Leave" : "Take out"}
                    </Button>
                  )}
                </li>
              ))}
            </ul>
          </section>
          {owner && (
            <Invitations inviting={intoTeam(team.id)} invitations={people.invitations} after={after} />
          )}
          {leaving && (
            <Leave
              title={team.name}
              leave={(how) => call("members.remove", { team: team.id, person: me.id, ...how })}
              onClose={() => setLeaving(false)}
            />
          )}
          <section className="flex flex-col gap-2">
            <h2 className="border-b border-line pb-2 font-serif text-xl font-semibold">Citing</h2>
            <StyleChoice
              team={team.id}
              label="Style of the team"
              none="None set: APA"
              value={style}
              disabled={!owner}
              className="max-w-lg"
              onChange={(wanted) => {
                setStyle(wanted);
                void after(call("teams.set-style", { team: team.id, style: wanted }));
              }}
            />
            <p className="text-[15px] text-quiet">
              It holds wherever a collection, or what it stands in, has none of its own.
            </p>
          </section>
          <Template team={team.id} owner={owner} />
          {owner && (
            <section className="flex flex-col gap-2">
              <h2 className="border-b border-line pb-2 font-serif text-xl font-semibold">
                Take everything along
              </h2>
              <p className="text-[15px] text-quiet">
                All collections with their items, tags, notes, texts, files and history, and your own Tray, as
                a ZIP that can be looked through without Hobbin and comes back into any other (Account, “Take
                along, and bring back”). Of people it has the names; no mail addresses, no passwords. Rules,
                messages and who gets a newsletter stay behind.
              </p>
              <a href={`/api/archive/${team.id}`} download className={`${buttonLook("line")} self-start`}>
                Take the archive
              </a>
            </section>
          )}
          {dead.length > 0 && (
            <section>
              <h2 className="border-b border-line pb-2 font-serif text-xl font-semibold">
                Work that was given up
              </h2>
              <ul>
                {dead.map((job) => (
                  <li key={job.id} className="flex items-center gap-3 border-b border-line py-2">
                    <span className="min-w-0 flex-1">
                      <span className="block font-semibold">
                        {job.kind === "resource.fetch" ? "Reading a page" : job.kind}
                      </span>
                      <span className="block truncate text-sm text-quiet">
                        {job.attempts} tries. {job.error}
                      </span>
                    </span>
                    <Button small onClick={() => after(call("jobs.retry", { job: job.id }))}>
                      Try again
                    </Button>
                  </li>
                ))}
              </ul>
            </section>
          )}
        </div>
      </main>
    </Frame>
  );
}

const intoTeam = (team: string): Inviting => ({
  first: "editor",
  roles: ROLES.toReversed(),
  words: ROLE_WORDS,
  send: (role, addresses) => call("invitations.send", { team, role, addresses }),
  link: (role, how) => call("invitations.make", { team, role, ...how }),
  end: (invitation) => call("invitations.revoke", { invitation }),
  already: "in the team already",
});

function TeamName({ team }: { team: TeamRow }) {
  const router = useRouter();
  const [name, setName] = useState(team.name);
  const save = () => {
    if (name.trim() && name !== team.name)
      call("teams.rename", { team: team.id, name })
        .then(() => router.refresh())
        .catch(sayFailure);
    else setName(team.name);
  };
  return (
    <>
      <h1 className="sr-only">{team.name}</h1>
      <input
        aria-label="Name of the team"
        value={name}
        onChange={(event) => setName(event.target.value)}
        onBlur={save}
        className="-mx-2 rounded-md border border-transparent bg-transparent px-2 font-serif text-3xl font-semibold hover:border-edge"
      />
    </>
  );
}
