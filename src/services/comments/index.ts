import { addComment } from "./add";
import { editComment } from "./edit";
import { readComments } from "./of-collection";
import { readOnMarks } from "./on-marks";
import { readPeople } from "./people";
import { removeComment } from "./remove";
import { settleComment } from "./settle";

/** What people can do, by name. */
export const actions = {
  "comments.add": addComment,
  "comments.edit": editComment,
  "comments.of-collection": readComments,
  "comments.on-marks": readOnMarks,
  "comments.people": readPeople,
  "comments.remove": removeComment,
  "comments.settle": settleComment,
};
