import { acceptSuggestions } from "./accept";
import { blockTeam } from "./block";
import { declineSuggestions } from "./decline";
import { readSuggestedFile } from "./file";
import { readMine } from "./mine";
import { offerSuggestion } from "./offer";
import { readTeam } from "./of-team";
import { readPage } from "./page";
import { readSuggestions } from "./read";
import { removeSuggestions } from "./remove";
import { renewPage } from "./renew-page";
import { setPage } from "./set-page";
import { unblockTeam } from "./unblock";

/** What people can do, by name. */
export const actions = {
  "suggestions.accept": acceptSuggestions,
  "suggestions.block": blockTeam,
  "suggestions.decline": declineSuggestions,
  "suggestions.file": readSuggestedFile,
  "suggestions.mine": readMine,
  "suggestions.of-team": readTeam,
  "suggestions.offer": offerSuggestion,
  "suggestions.page": readPage,
  "suggestions.read": readSuggestions,
  "suggestions.remove": removeSuggestions,
  "suggestions.renew-page": renewPage,
  "suggestions.set-page": setPage,
  "suggestions.unblock": unblockTeam,
};
