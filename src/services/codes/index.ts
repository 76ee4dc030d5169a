import { endCode } from "./end";
import { makeCode } from "./make";
import { openCode } from "./open";

/** What people can do, by name. */
export const actions = {
  "codes.end": endCode,
  "codes.make": makeCode,
  "codes.open": openCode,
};
