"use client";

import { Logo } from "../parts/logo";

type WayOn = { title: string; about: string; href: string; words: string };

/** Something that is not here, and a way on. */
const Not = ({ title, about, href, words }: WayOn) => (
  <Plain title={title} about={about}>
    {/* Every screen carries this one along, so it stays small. */}
    <a href={href} className="text-accent underline">
      {words}
    </a>
  </Plain>
);
const TO_DESK = { href: "/", words: "To your Desk" };
const TO_CODE = { href: "/go", words: "Type a code" };

/** Nothing is here, or nothing that this person may see; which of the two is not told. */
export const NotHere = () => (
  <Not
    title="Nothing is here for you"
    about="The address may have a slip in it, or it belongs to a team you are not in."
    {...TO_DESK}
  />
);

/** What a card that was renewed, or a handout that was taken away, leads to. */
export const CardEnded = () => (
  <Not
    title="This is not here any more"
    about="The card was renewed, or what it led to was taken away again. Nothing that was written is lost. Ask whoever gave it to you for a new card, and type its code."
    {...TO_CODE}
  />
);

/** What an address for suggestions that holds no more leads to. */
export const SuggestionsEnded = () => (
  <Not
    title="Nothing can be suggested here any more"
    about="There may be a new code. Ask whoever gave you this address."
    {...TO_CODE}
  />
);

/** What an invitation leads to that has ended, is over or has let in as many as it was for. */
export const InvitationEnded = () => (
  <Not
    title="This invitation does not hold any more"
    about="It has ended, or has let in as many as it was for. Ask whoever sent it for a new one."
    {...TO_DESK}
  />
);

/** Something failed that nobody foresaw. */
export function WentWrong({ reset }: { reset: () => void }) {
  return (
    <Plain title="Something went wrong on our side" about="What was saved is safe.">
      <button type="button" onClick={reset} className="text-accent underline">
        Try again
      </button>
    </Plain>
  );
}

function Plain({ title, about, children }: { title: string; about: string; children: React.ReactNode }) {
  return (
    <main
      id="main"
      className="mx-auto flex min-h-dvh max-w-md flex-col items-start justify-center gap-5 px-6"
    >
      <span className="flex items-center gap-2 text-xl font-semibold">
        <Logo /> Hobbin
      </span>
      <h1 className="font-serif text-3xl font-semibold">{title}</h1>
      <p className="text-quiet">{about}</p>
      {children}
    </main>
  );
}
