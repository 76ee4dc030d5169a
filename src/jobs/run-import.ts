import { stepImport } from "@/services/imports/step-forward";
import { stepUndo } from "@/services/imports/step-back";
import type { JobKind } from "./job-kind";

/** Does an import to its end, or until it is paused. */
export const runImportJob: JobKind = {
  run: async ({ import: intake }) => {
    while (await stepImport(String(intake)));
  },
};

/** Takes an import back. */
export const undoImportJob: JobKind = {
  run: async ({ import: intake }) => {
    while (await stepUndo(String(intake)));
  },
};
