type Used = { state: string; forWords: string; forTitle: string | null };

/** What something in the Tray is still to be used for, in words; null for what only waits. */
export function sayUse({ state, forWords, forTitle }: Used): string | null {
  if (state === "looked") return "looked at";
  if (state !== "use") return null;
  const what = [forWords, forTitle].filter(Boolean).join(", ");
  return what ? `still to use for ${what}` : "still to use";
}
