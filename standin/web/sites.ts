import { bogJournal } from "./sites/bog-journal";
import { heathLibrary } from "./sites/heath-library";
import { lanternMoss } from "./sites/lantern-moss";
import { moorSounds } from "./sites/moor-sounds";
import { mosskey } from "./sites/mosskey";
import { peatNotebook } from "./sites/peat-notebook";
import { standingWater } from "./sites/standing-water";
import type { Site } from "./page";

/** A small made-up web around a made-up peatland. Hosts end in .localhost. */
export const SITES: readonly Site[] = [
  lanternMoss,
  peatNotebook,
  standingWater,
  moorSounds,
  bogJournal,
  mosskey,
  heathLibrary,
];
