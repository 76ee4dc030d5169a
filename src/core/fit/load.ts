import type { Kind } from "../page/facts";
import { minutesOfClip } from "../publish/clip";
import { minutesOf } from "../text/minutes";

/** Nobody works longer than a day with one thing. */
export const LONGEST_TASK = 1_440;

/** What is known of how long a thing takes where it stands. */
export type Timed = {
  kind: Kind;
  words: number | null;
  seconds: number | null;
  language: string | null;
  /** As the catalogue has them: computed for adults, or as somebody said. */
  minutes: number | null;
  clipFrom: number | null;
  clipTo: number | null;
  /** Meant for what is done with it. */
  taskMinutes: number | null;
};

/** How long one is busy with something, in whole minutes. */
export type Load = {
  reading: number;
  playing: number;
  task: number;
  /** Of so many things nobody knows how long they take; they count as nothing. */
  unknown: number;
};

export const NO_LOAD: Load = { reading: 0, playing: 0, task: 0, unknown: 0 };

export const minutesIn = ({ reading, playing, task }: Load): number => reading + playing + task;

/** Films and sounds. */
export const isPlayed = (kind: Kind): boolean => kind === "video" || kind === "sound";

/**
 * How long somebody is busy with a thing who reads so fast.
 * @param pace words of English a minute
 */
export function loadOf(thing: Timed, pace: number): Load {
  const task = thing.taskMinutes ?? 0;
  const here = minutesOfClip(thing, thing);
  const isComputed = here !== null && here === minutesOf(thing);
  // What somebody said of it themselves is not computed anew.
  const minutes = isComputed ? minutesOf(thing, pace) : here;
  if (minutes === null) return { ...NO_LOAD, task, unknown: 1 };
  return isPlayed(thing.kind)
    ? { ...NO_LOAD, playing: minutes, task }
    : { ...NO_LOAD, reading: minutes, task };
}

/** All of it together. */
export const sumOf = (loads: readonly Load[]): Load =>
  loads.reduce(
    (sum, one) => ({
      reading: sum.reading + one.reading,
      playing: sum.playing + one.playing,
      task: sum.task + one.task,
      unknown: sum.unknown + one.unknown,
    }),
    NO_LOAD,
  );
