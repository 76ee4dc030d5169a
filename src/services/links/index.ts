import { giveCopy } from "./give-copy";
import { houseAt } from "./house";
import { askInside } from "./inside";
import { lookNow } from "./look";
import { mendLink } from "./mend";
import { mendHouse } from "./mend-house";
import { readLinks } from "./read";
import { seekWays } from "./seek";
import { settleLink } from "./settle";
import { tryHouse } from "./try-house";
import { readWays } from "./ways";

/** What people can do, by name. */
export const actions = {
  "links.give-copy": giveCopy,
  "links.house": houseAt,
  "links.inside": askInside,
  "links.look": lookNow,
  "links.mend": mendLink,
  "links.mend-house": mendHouse,
  "links.read": readLinks,
  "links.seek": seekWays,
  "links.settle": settleLink,
  "links.try-house": tryHouse,
  "links.ways": readWays,
};
