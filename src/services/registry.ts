import { beHere } from "./live/be-here";
import { duplicateCollection } from "./arrange/duplicate-collection";
import { moveCollection } from "./arrange/move-collection";
import { putAway } from "./arrange/put-away";
import { uploadCover } from "./arrange/upload-cover";
import { tagCollection } from "./arrange/tag-collection";
import { setView } from "./arrange/set-view";
import { readFacets } from "./find/facets";
import { forgetKept, keepSearch, lookAtKept, readKept } from "./find/kept-searches";
import { search } from "./find/search";
import { useResource } from "./capture/use-resource";
import { copyMany } from "./arrange/copy-many";
import { moveMany } from "./arrange/move-many";
import { removeMany } from "./arrange/remove-many";
import { removeResources, setKinds } from "./capture/change-many";
import { setTrayMany } from "./capture/set-tray-many";
import { changeTags } from "./tags/change-many";
import { readDeeds } from "./undo/read-deeds";
import { redo } from "./undo/redo";
import { undo } from "./undo/undo";
import type { Action } from "./action";
import { addPlacement } from "./arrange/add-placement";
import { editCollection } from "./arrange/edit-collection";
import { editPlacement } from "./arrange/edit-placement";
import { makeCollection } from "./arrange/make-collection";
import { makeSection } from "./arrange/make-section";
import { movePlacement } from "./arrange/move-placement";
import { moveSection } from "./arrange/move-section";
import { readCollection } from "./arrange/read-collection";
import { readCovers } from "./arrange/read-covers";
import { readItems } from "./arrange/read-items";
import { readSections } from "./arrange/read-sections";
import { readSomeItems } from "./arrange/read-some-items";
import { readTree } from "./arrange/read-tree";
import { removeCollection } from "./arrange/remove-collection";
import { removePlacement } from "./arrange/remove-placement";
import { removeSection } from "./arrange/remove-section";
import { editSection } from "./arrange/edit-section";
import { readBin } from "./bin/read-bin";
import { restoreCollection } from "./bin/restore-collection";
import { restorePlacement } from "./bin/restore-placement";
import { restoreResource } from "./bin/restore-resource";
import { restoreSection } from "./bin/restore-section";
import { captureAddress } from "./capture/capture-address";
import { captureNote } from "./capture/capture-note";
import { editResource } from "./capture/edit-resource";
import { fetchAgain } from "./capture/fetch-again";
import { readCatalogue } from "./capture/read-catalogue";
import { readHistory } from "./capture/read-history";
import { readPicture } from "./capture/read-picture";
import { readResource } from "./capture/read-resource";
import { readTray } from "./capture/read-tray";
import { removeResource } from "./capture/remove-resource";
import { setTrayState } from "./capture/set-tray-state";
import { readJobs } from "./care/read-jobs";
import { retryJob } from "./care/retry-job";
import { beginUpload } from "./files/begin-upload";
import { captureFile } from "./files/capture-file";
import { readFile } from "./files/read-file";
import { addLines } from "./intake/add-lines";
import { knownAddresses } from "./intake/known-addresses";
import { readIntake } from "./intake/read-intake";
import { readIntakes } from "./intake/read-intakes";
import { rejectedLines } from "./intake/rejected-lines";
import { setIntake } from "./intake/set-intake";
import { stageIntake } from "./intake/stage-intake";
import { listen } from "./live/live-stream";
import { readRecent } from "./live/read-recent";
import { acceptInvitation } from "./people/accept-invitation";
import { makeInvitation } from "./people/make-invitation";
import { makeTeam } from "./people/make-team";
import { makeToken } from "./people/make-token";
import { readInvitation } from "./people/read-invitation";
import { readMembers } from "./people/read-members";
import { readTeams } from "./people/read-teams";
import { readTokens } from "./people/read-tokens";
import { removeMember } from "./people/remove-member";
import { renameTeam } from "./people/rename-team";
import { revokeInvitation } from "./people/revoke-invitation";
import { revokeToken } from "./people/revoke-token";
import { setRole } from "./people/set-role";
import { exportCollection } from "./publish/export-collection";
import { readPublished } from "./publish/read-published";
import { renewLink } from "./publish/renew-link";
import { setAudience } from "./publish/set-audience";
import { capturePage } from "./capture/capture-page";
import { offerPairing } from "./people/offer-pairing";
import { pair } from "./people/pair";
import { decideMessage } from "./mail/decide-message";
import { makeMailAddress } from "./mail/make-address";
import { readLetterOf } from "./mail/read-letter";
import { readMail } from "./mail/read-mail";
import { readOriginal } from "./mail/read-original";
import { setSender } from "./mail/set-sender";
import { lookUp } from "./hand/look-up";
import { captureWork } from "./hand/capture-work";
import { choosePicture } from "./capture/choose-picture";
import { pasteText } from "./capture/paste-text";
import { readProposal } from "./capture/read-proposal";
import { readText } from "./capture/read-text";
import { takeProposal } from "./capture/take-proposal";
import { decideHit } from "./rules/decide-hit";
import { previewRule } from "./rules/preview-rule";
import { readRules } from "./rules/read-rules";
import { removeRule } from "./rules/remove-rule";
import { runRule } from "./rules/run-rule";
import { saveRule } from "./rules/save-rule";
import { keepApart } from "./twins/keep-apart";
import { mergeTwins } from "./twins/merge-twins";
import { readTwins } from "./twins/read-twins";
import { undoMerge } from "./twins/undo-merge";
import { lookAtTag, tendTags } from "./tags/look-tag";
import { previewMerge } from "./tags/preview-merge";
import { suggestTagsOf } from "./tags/suggest-tags";
import { deleteTags, mergeTags, renameTag } from "./tags/tend-tags";
import { addTags } from "./tags/add-tags";
import { readTags } from "./tags/read-tags";
import { removeTag } from "./tags/remove-tag";

/** Everything that can be done, by name. An action that is not listed here does not exist. */
export const ACTIONS = {
  "bin.read": readBin,
  "bin.restore-collection": restoreCollection,
  "bin.restore-placement": restorePlacement,
  "bin.restore-resource": restoreResource,
  "bin.restore-section": restoreSection,
  "capture.address": captureAddress,
  "capture.file": captureFile,
  "capture.note": captureNote,
  "capture.page": capturePage,
  "capture.work": captureWork,
  "collections.be-here": beHere,
  "collections.cover": uploadCover,
  "collections.covers": readCovers,
  "collections.duplicate": duplicateCollection,
  "collections.edit": editCollection,
  "collections.items": readItems,
  "collections.make": makeCollection,
  "collections.move": moveCollection,
  "collections.put-away": putAway,
  "collections.read": readCollection,
  "collections.remove": removeCollection,
  "collections.sections": readSections,
  "collections.set-view": setView,
  "collections.some-items": readSomeItems,
  "collections.tag": tagCollection,
  "collections.tree": readTree,
  "deeds.read": readDeeds,
  "deeds.redo": redo,
  "deeds.undo": undo,
  "events.listen": listen,
  "events.recent": readRecent,
  "export.collection": exportCollection,
  "files.begin": beginUpload,
  "files.read": readFile,
  "intakes.add-lines": addLines,
  "intakes.list": readIntakes,
  "intakes.read": readIntake,
  "intakes.rejected": rejectedLines,
  "intakes.set": setIntake,
  "intakes.stage": stageIntake,
  "mail.decide": decideMessage,
  "mail.letter": readLetterOf,
  "mail.make-address": makeMailAddress,
  "mail.original": readOriginal,
  "mail.read": readMail,
  "mail.set-sender": setSender,
  "invitations.accept": acceptInvitation,
  "invitations.make": makeInvitation,
  "invitations.read": readInvitation,
  "invitations.revoke": revokeInvitation,
  "jobs.dead": readJobs,
  "jobs.retry": retryJob,
  "members.read": readMembers,
  "members.remove": removeMember,
  "members.set-role": setRole,
  "pictures.read": readPicture,
  "placements.add": addPlacement,
  "placements.copy-many": copyMany,
  "placements.edit": editPlacement,
  "placements.move": movePlacement,
  "placements.move-many": moveMany,
  "placements.remove": removePlacement,
  "placements.remove-many": removeMany,
  "search.facets": readFacets,
  "search.find": search,
  "search.forget": forgetKept,
  "search.keep": keepSearch,
  "search.kept": readKept,
  "search.look": lookAtKept,
  "reader.read": readPublished,
  "references.look-up": lookUp,
  "resources.choose-picture": choosePicture,
  "resources.edit": editResource,
  "resources.fetch-again": fetchAgain,
  "resources.known": knownAddresses,
  "resources.history": readHistory,
  "resources.newest": readCatalogue,
  "resources.paste-text": pasteText,
  "resources.proposal": readProposal,
  "resources.read": readResource,
  "resources.remove": removeResource,
  "resources.remove-many": removeResources,
  "resources.set-kind": setKinds,
  "resources.take-proposal": takeProposal,
  "resources.text": readText,
  "rules.decide": decideHit,
  "rules.preview": previewRule,
  "rules.read": readRules,
  "rules.remove": removeRule,
  "rules.run": runRule,
  "rules.save": saveRule,
  "sections.make": makeSection,
  "sections.move": moveSection,
  "sections.remove": removeSection,
  "sections.edit": editSection,
  "share.renew": renewLink,
  "share.set": setAudience,
  "resources.use": useResource,
  "tags.add": addTags,
  "tags.change": changeTags,
  "tags.delete": deleteTags,
  "tags.look": lookAtTag,
  "tags.merge": mergeTags,
  "tags.preview-merge": previewMerge,
  "tags.read": readTags,
  "tags.rename": renameTag,
  "tags.suggest": suggestTagsOf,
  "tags.tend": tendTags,
  "tags.remove": removeTag,
  "teams.make": makeTeam,
  "teams.read": readTeams,
  "teams.rename": renameTeam,
  "tokens.offer": offerPairing,
  "tokens.pair": pair,
  "tokens.make": makeToken,
  "tokens.read": readTokens,
  "tokens.revoke": revokeToken,
  "twins.apart": keepApart,
  "twins.merge": mergeTwins,
  "twins.read": readTwins,
  "twins.undo": undoMerge,
  "tray.read": readTray,
  "tray.set": setTrayState,
  "tray.set-many": setTrayMany,
};

export type ActionName = keyof typeof ACTIONS;

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
