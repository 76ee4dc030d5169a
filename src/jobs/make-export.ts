import { giveUpOrder, runOrder } from "@/services/export/run-order";
import type { JobKind } from "./job-kind";

/** Makes a file that was ordered. */
export const makeExportJob: JobKind = {
  run: ({ order }) => runOrder(String(order)),
  givenUp: ({ order }) => giveUpOrder(String(order)),
};
