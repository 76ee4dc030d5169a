import { emptyBin } from "./empty-bin";
import { fetchResource } from "./fetch-resource";
import { runIntakeJob, undoIntakeJob } from "./run-intake";
import { sendMailJob } from "./send-mail";

/** A kind of work for later. */
export type JobKind = {
  run: (payload: Record<string, unknown>) => Promise<void>;
  /** Makes it visible where people look, when it failed too often. */
  givenUp?: (payload: Record<string, unknown>) => Promise<void>;
};

export const KINDS: Record<string, JobKind> = {
  "resource.fetch": fetchResource,
  "intake.run": runIntakeJob,
  "intake.undo": undoIntakeJob,
  "mail.send": sendMailJob,
  "bin.empty": emptyBin,
};
