import { agreeOnAppraisal } from "./agree";
import { giveAppraisal } from "./give";
import { readAppraisals } from "./of-resource";

/** What people can do, by name. */
export const actions = {
  "appraisals.agree": agreeOnAppraisal,
  "appraisals.give": giveAppraisal,
  "appraisals.of-resource": readAppraisals,
};
