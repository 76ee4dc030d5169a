import {
  countTeams,
  hiddenNow,
  hidingOf,
  lastDeeds,
  openReports,
  signUpRule,
  stewardsNow,
} from "@/data/queries/care";
import { reading } from "@/mechanism/action";
import { Nothing } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { areForEverybody } from "../shelves/for-everybody";

/** So many of each are shown. */
const MOST = 100;

export const readStewards = reading({
  name: "stewards.read",
  about:
    "What stewards see to: reports that wait, what is hidden and what its teams answered, who may sign up, who the stewards are, and what they did last.",
  input: Nothing,
  allow: can.steward(),
  run: async ({ tx }) => {
    const [reports, hidden, signUp, stewards, deeds, teams] = await Promise.all([
      openReports(tx, MOST),
      hiddenNow(tx, MOST),
      signUpRule(tx),
      stewardsNow(tx),
      lastDeeds(tx, MOST),
      countTeams(tx),
    ]);
    const words = await Promise.all(hidden.map((one) => hidingOf(tx, one.collection)));
    return {
      reports,
      hidden: hidden.map((one, i) => ({
        ...one,
        words: words[i]?.words ?? "",
        answer: words[i]?.answer ?? "",
      })),
      signUp,
      everybodySees: await areForEverybody(tx),
      stewards,
      deeds,
      teams,
    };
  },
});
