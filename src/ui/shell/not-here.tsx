"use client";

import { Logo } from "../parts/logo";

/** Nothing is here, or nothing that this person may see; which of the two is not told. */
export function NotHere() {
  return (
    <Plain
      title="Nothing is here for you"
      about="The address may have a slip in it, or it belongs to a team you are not in."
    >
      {/* eslint-disable-next-line @next/next/no-html-link-for-pages -- every screen carries this one along, so it stays small */}
      <a href="/" className="text-accent underline">
        To your Desk
      </a>
    </Plain>
  );
}

/** What a card that was renewed, or a handout that was taken away, leads to. */
export function CardEnded() {
  return (
    <Plain
      title="This is not here any more"
      about="The card was renewed, or what it led to was taken away again. Nothing that was written is lost. Ask whoever gave it to you for a new card, and type its code."
    >
      {/* eslint-disable-next-line @next/next/no-html-link-for-pages -- it is no page of the application */}
      <a href="/go" className="text-accent underline">
        Type a code
      </a>
    </Plain>
  );
}

/** What an address for suggestions that holds no more leads to. */
export function SuggestionsEnded() {
  return (
    <Plain
      title="Nothing can be suggested here any more"
      about="There may be a new code. Ask whoever gave you this address."
    >
      {/* eslint-disable-next-line @next/next/no-html-link-for-pages -- it is no page of the application */}
      <a href="/go" className="text-accent underline">
        Type a code
      </a>
    </Plain>
  );
}

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
