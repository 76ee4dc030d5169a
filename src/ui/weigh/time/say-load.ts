import { type Load, minutesIn } from "@/core/fit/load";
import { sayMinutes } from "@/core/text/minutes";

/** How much too long, or how much is left. @param over more minutes than there are; below 0: fewer */
export const sayOver = (over: number): string =>
  over > 0 ? `${sayMinutes(over)} too long` : over < 0 ? `${sayMinutes(-over)} left` : "just as long";

/** What it is made of: “40 min reading, 12 min playing, 2 of unknown length”. */
export function sayParts({ reading, playing, task, unknown }: Load): string {
  const known = [
    [reading, "reading"],
    [playing, "playing"],
    [task, "of work"],
  ].filter(([minutes]) => minutes) as [number, string][];
  const said =
    known.length === 1
      ? [`all of it ${known[0]![1].replace("of ", "")}`]
      : known.map(([minutes, words]) => `${sayMinutes(minutes)} ${words}`);
  return (
    [...said, ...(unknown ? [`${unknown} of unknown length`] : [])].join(", ") || "nothing that takes time"
  );
}

/** How long one thing takes: “12 min”, and “?” for what nobody knows of it. */
export function sayLoad(load: Load): string {
  if (!load.unknown) return sayMinutes(minutesIn(load));
  return load.task ? `${sayMinutes(load.task)} + ?` : "?";
}
