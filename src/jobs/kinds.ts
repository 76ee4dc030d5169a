import type { JobKind } from "./job-kind";
import { deliverIssueJob } from "./deliver-issue";
import { bringBackJob } from "./bring-back-archive";
import { emptyBin } from "./empty-bin";
import { erasePersonJob, eraseTeamJob, unsignJob } from "./erase";
import { fetchPictureJob } from "./fetch-picture";
import { fetchResource } from "./fetch-resource";
import { keepPicturesJob } from "./keep-pictures";
import { letInJob } from "./let-in";
import { mailNoticesJob } from "./mail-notices";
import { makeExportJob } from "./make-export";
import { placeMarksJob } from "./place-marks";
import { feedToTraysJob, planFeedsJob, readFeedJob } from "./read-feed";
import { readFileJob } from "./read-stored-file";
import { runImportJob, undoImportJob } from "./run-import";
import { takeMailJob } from "./take-in-message";
import { sendMailJob } from "./send-message";
import { findWaysJob, lookAtLinkJob, lookInsideJob, watchLinksJob } from "./watch-links";

/** Every kind of work there is, by the name a job carries. */
export const KINDS: Record<string, JobKind> = {
  "resource.fetch": fetchResource,
  "file.read": readFileJob,
  "picture.fetch": fetchPictureJob,
  "text.pictures": keepPicturesJob,
  "imports.run": runImportJob,
  "imports.undo": undoImportJob,
  "messages.take-in": takeMailJob,
  "messages.send": sendMailJob,
  "notices.mail": mailNoticesJob,
  "newsletters.deliver": deliverIssueJob,
  "links.watch": watchLinksJob,
  "links.look": lookAtLinkJob,
  "links.seek": findWaysJob,
  "links.inside": lookInsideJob,
  "feeds.plan": planFeedsJob,
  "feeds.read": readFeedJob,
  "feeds.to-trays": feedToTraysJob,
  "bin.empty": emptyBin,
  "archives.bring-back": bringBackJob,
  "exports.make": makeExportJob,
  "marks.place": placeMarksJob,
  "suggestions.let-in": letInJob,
  "people.erase": erasePersonJob,
  "people.unsign": unsignJob,
  "teams.erase": eraseTeamJob,
};
