import type { Action } from "@/mechanism/action";
import { actions as appraisals } from "./appraisals";
import { actions as archives } from "./archives";
import { actions as bin } from "./bin";
import { actions as capture } from "./capture";
import { actions as codes } from "./codes";
import { actions as collections } from "./collections";
import { actions as criteria } from "./criteria";
import { actions as duplicates } from "./duplicates";
import { actions as editions } from "./editions";
import { actions as events } from "./events";
import { actions as exported } from "./export";
import { actions as files } from "./files";
import { actions as groups } from "./groups";
import { actions as guests } from "./guests";
import { actions as handouts } from "./handouts";
import { actions as history } from "./history";
import { actions as imports } from "./imports";
import { actions as invitations } from "./invitations";
import { actions as jobs } from "./jobs";
import { actions as learners } from "./learners";
import { actions as lessons } from "./lessons";
import { actions as links } from "./links";
import { actions as load } from "./load";
import { actions as comments } from "./comments";
import { actions as log } from "./log";
import { actions as marks } from "./marks";
import { actions as meanings } from "./meanings";
import { actions as members } from "./members";
import { actions as messages } from "./messages";
import { actions as mix } from "./mix";
import { actions as newsletters } from "./newsletters";
import { actions as notices } from "./notices";
import { actions as portfolios } from "./portfolios";
import { actions as outcomes } from "./outcomes";
import { actions as people } from "./people";
import { actions as pictures } from "./pictures";
import { actions as placements } from "./placements";
import { actions as reader } from "./reader";
import { actions as reading } from "./reading";
import { actions as references } from "./references";
import { actions as resources } from "./resources";
import { actions as rounds } from "./rounds";
import { actions as rules } from "./rules";
import { actions as samples } from "./samples";
import { actions as savedSearches } from "./saved-searches";
import { actions as searchRecords } from "./search-records";
import { actions as search } from "./search";
import { actions as sections } from "./sections";
import { actions as reports } from "./reports";
import { actions as sessions } from "./sessions";
import { actions as share } from "./share";
import { actions as stewards } from "./stewards";
import { actions as follows } from "./follows";
import { actions as shelves } from "./shelves";
import { actions as sheets } from "./sheets";
import { actions as suggestions } from "./suggestions";
import { actions as tags } from "./tags";
import { actions as teams } from "./teams";
import { actions as texts } from "./texts";
import { actions as tokens } from "./tokens";
import { actions as thanks } from "./thanks";
import { actions as tray } from "./tray";

/**
 * Everything that can be done, by name: a folder for each first part, a file for each second one. An action that is not
 * listed in its folder's index does not exist.
 */
export const ACTIONS = {
  ...appraisals,
  ...archives,
  ...bin,
  ...capture,
  ...codes,
  ...collections,
  ...criteria,
  ...duplicates,
  ...editions,
  ...events,
  ...exported,
  ...files,
  ...groups,
  ...guests,
  ...handouts,
  ...history,
  ...imports,
  ...invitations,
  ...jobs,
  ...learners,
  ...lessons,
  ...links,
  ...load,
  ...comments,
  ...log,
  ...marks,
  ...meanings,
  ...members,
  ...messages,
  ...mix,
  ...newsletters,
  ...notices,
  ...outcomes,
  ...people,
  ...portfolios,
  ...pictures,
  ...placements,
  ...reader,
  ...reading,
  ...references,
  ...resources,
  ...rounds,
  ...rules,
  ...samples,
  ...savedSearches,
  ...searchRecords,
  ...search,
  ...sections,
  ...reports,
  ...sessions,
  ...share,
  ...stewards,
  ...follows,
  ...shelves,
  ...sheets,
  ...suggestions,
  ...tags,
  ...teams,
  ...texts,
  ...tokens,
  ...thanks,
  ...tray,
};

export type ActionName = keyof typeof ACTIONS;
/** What only looks. */
export type ReadingName = {
  [N in ActionName]: (typeof ACTIONS)[N]["kind"] extends "read" ? N : never;
}[ActionName];
/** What changes something. */
export type ChangeName = Exclude<ActionName, ReadingName>;

/** The action of this name, or null. */
export function findAction(name: string): Action | null {
  return Object.hasOwn(ACTIONS, name) ? (ACTIONS[name as ActionName] as unknown as Action) : null;
}

/** What an action answers, as it arrives after JSON: times are text there. */
export type Answer<N extends ActionName> = Arrived<Awaited<ReturnType<(typeof ACTIONS)[N]["call"]>>>;
export type InputOf<N extends ActionName> = InstanceType<(typeof ACTIONS)[N]["input"]>;

type Arrived<T> = T extends Date
  ? string
  : T extends (infer U)[]
    ? Arrived<U>[]
    : T extends object
      ? { [K in keyof T]: Arrived<T[K]> }
      : T;

/** What each action answers, before it is JSON; `npm run describe` reads it. @public */
export type Outputs = { [N in ActionName]: Awaited<ReturnType<(typeof ACTIONS)[N]["call"]>> };
