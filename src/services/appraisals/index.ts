import { agreeOnAppraisal } from "./agree";
import { giveAppraisal } from "./give";
import { readWeighed } from "./of-collection";
import { readAppraisals } from "./of-resource";

/** What people can do, by name. */
export const actions = {
  "appraisals.agree": agreeOnAppraisal,
  "appraisals.give": giveAppraisal,
  "appraisals.of-collection": readWeighed,
  "appraisals.of-resource": readAppraisals,
};
