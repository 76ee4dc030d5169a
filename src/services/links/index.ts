import { lookNow } from "./look";
import { mendLink } from "./mend";
import { readLinks } from "./read";
import { settleLink } from "./settle";

/** What people can do, by name. */
export const actions = {
  "links.look": lookNow,
  "links.mend": mendLink,
  "links.read": readLinks,
  "links.settle": settleLink,
};
