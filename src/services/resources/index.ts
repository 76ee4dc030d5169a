import { giveCaptions } from "./give-captions";
import { givePicture } from "./give-picture";
import { choosePicture } from "./choose-picture";
import { editResource } from "./edit";
import { fetchAgain } from "./fetch-again";
import { readHistory } from "./history";
import { knownAddresses } from "./known";
import { readLinks } from "./links";
import { readCatalogue } from "./newest";
import { pasteText } from "./paste-text";
import { readProposal } from "./proposal";
import { readResource } from "./read";
import { removeResource } from "./remove";
import { removeResources } from "./remove-many";
import { setKinds } from "./set-kind";
import { takeProposal } from "./take-proposal";
import { readText } from "./text";
import { useResource } from "./use";

/** What people can do, by name. */
export const actions = {
  "resources.give-captions": giveCaptions,
  "resources.give-picture": givePicture,
  "resources.choose-picture": choosePicture,
  "resources.edit": editResource,
  "resources.fetch-again": fetchAgain,
  "resources.history": readHistory,
  "resources.known": knownAddresses,
  "resources.links": readLinks,
  "resources.newest": readCatalogue,
  "resources.paste-text": pasteText,
  "resources.proposal": readProposal,
  "resources.read": readResource,
  "resources.remove": removeResource,
  "resources.remove-many": removeResources,
  "resources.set-kind": setKinds,
  "resources.take-proposal": takeProposal,
  "resources.text": readText,
  "resources.use": useResource,
};
