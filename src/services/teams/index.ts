import { keep } from "./keep";
import { readUpkeep } from "./upkeep";
import { makeTeam } from "./make";
import { readTeams } from "./read";
import { readPage } from "./page";
import { setPage } from "./set-page";
import { renameTeam } from "./rename";
import { setStyle } from "./set-style";
import { setTeamTemplate } from "./set-template";
import { readTemplate } from "./template";
import { readWaiting } from "./waiting";

/** What people can do, by name. */
export const actions = {
  "teams.keep": keep,
  "teams.upkeep": readUpkeep,
  "teams.make": makeTeam,
  "teams.read": readTeams,
  "teams.page": readPage,
  "teams.set-page": setPage,
  "teams.rename": renameTeam,
  "teams.set-style": setStyle,
  "teams.set-template": setTeamTemplate,
  "teams.template": readTemplate,
  "teams.waiting": readWaiting,
};
