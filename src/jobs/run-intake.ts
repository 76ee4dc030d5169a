import { stepIntake } from "@/services/intake/run-intake";
import { stepUndo } from "@/services/intake/undo-intake";
import type { JobKind } from "./kinds";

/** Does an import to its end, or until it is paused. */
export const runIntakeJob: JobKind = {
  run: async ({ intake }) => {
    while (await stepIntake(String(intake)));
  },
};

/** Takes an import back. */
export const undoIntakeJob: JobKind = {
  run: async ({ intake }) => {
    while (await stepUndo(String(intake)));
  },
};
