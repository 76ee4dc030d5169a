type Used = { state: string; forWords: string; forTitle: string | null };

const whatFor = ({ forWords, forTitle }: Used): string => [forWords, forTitle].filter(Boolean).join(", ");

/** What something in the Tray is still to be used for, in words; null for what only waits. */
export function sayUse(entry: Used): string | null {
  if (entry.state === "looked") return "looked at";
  if (entry.state !== "use") return null;
  const what = whatFor(entry);
  return what ? `still to use for ${what}` : "still to use";
}

/** The same as the heading of what is to be used for one thing. */
export const sayUseHead = (entry: Used): string => {
  const what = whatFor(entry);
  return what ? `For ${what}` : "Not said for what";
};
