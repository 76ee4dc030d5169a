import { addLearners } from "./add";
import { editLearner } from "./edit";
import { removeLearner } from "./remove";
import { renewCard } from "./renew-card";

/** What people can do, by name. */
export const actions = {
  "learners.add": addLearners,
  "learners.edit": editLearner,
  "learners.remove": removeLearner,
  "learners.renew-card": renewCard,
};
