import { sendReport } from "./send";

/** What people can do, by name. */
export const actions = {
  "reports.send": sendReport,
};
