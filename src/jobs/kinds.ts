import { emptyBin } from "./empty-bin";
import { fetchPictureJob } from "./fetch-picture";
import { fetchResource } from "./fetch-resource";
import { readFileJob } from "./read-file";
import { runIntakeJob, undoIntakeJob } from "./run-intake";
import { takeMailJob } from "./take-mail";
import { sendMailJob } from "./send-mail";

/** A kind of work for later. */
export type JobKind = {
  run: (payload: Record<string, unknown>) => Promise<void>;
  /** Makes it visible where people look, when it failed too often. */
  givenUp?: (payload: Record<string, unknown>) => Promise<void>;
};

export const KINDS: Record<string, JobKind> = {
  "resource.fetch": fetchResource,
  "file.read": readFileJob,
  "picture.fetch": fetchPictureJob,
  "intake.run": runIntakeJob,
  "intake.undo": undoIntakeJob,
  "mail.take": takeMailJob,
  "mail.send": sendMailJob,
  "bin.empty": emptyBin,
};
