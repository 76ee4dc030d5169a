import { bringBackEdition } from "./bring-back";
import { compareEditions } from "./compare";
import { keepEdition } from "./keep";
import { readEditions } from "./read";
import { withdrawEdition } from "./withdraw";

/** What people can do, by name. */
export const actions = {
  "editions.bring-back": bringBackEdition,
  "editions.compare": compareEditions,
  "editions.keep": keepEdition,
  "editions.read": readEditions,
  "editions.withdraw": withdrawEdition,
};
