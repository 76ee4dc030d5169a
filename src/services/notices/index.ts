import { leaveLetters } from "./leave";
import { lookAtNotices } from "./look";
import { readNotices } from "./read";
import { setMailHours } from "./set-hours";
import { readWhose } from "./whose";
import { wishForMail } from "./wish";
import { readWishes } from "./wishes";

/** What people can do, by name. */
export const actions = {
  "notices.leave": leaveLetters,
  "notices.look": lookAtNotices,
  "notices.read": readNotices,
  "notices.set-hours": setMailHours,
  "notices.whose": readWhose,
  "notices.wish": wishForMail,
  "notices.wishes": readWishes,
};
