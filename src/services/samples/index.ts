import { makeSample } from "./make";
import { readSample } from "./read";
import { removeSample } from "./remove";

/** What people can do, by name. */
export const actions = {
  "samples.make": makeSample,
  "samples.read": readSample,
  "samples.remove": removeSample,
};
