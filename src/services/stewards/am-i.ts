import { countAllOpenReports, isSteward } from "@/data/queries/care";
import { reading } from "@/mechanism/action";
import { Nothing } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

export const amISteward = reading({
  name: "stewards.am-i",
  about: "Whether one is a steward of the installation, and how many reports wait then.",
  input: Nothing,
  allow: can.beSignedIn(),
  run: async ({ scope, tx }) => {
    const isOne = await isSteward(tx, scope.person!);
    return { isOne, waiting: isOne ? await countAllOpenReports(tx) : 0 };
  },
});
