import { putBack } from "./put-back";
import { readThenOf } from "./then";
import { beHere } from "./be-here";
import { uploadCover } from "./cover";
import { readCovers } from "./covers";
import { duplicateCollection } from "./duplicate";
import { editCollection } from "./edit";
import { fitCollection } from "./fit";
import { readHappened } from "./happened";
import { readItems } from "./items";
import { readKinds } from "./kinds";
import { makeCollection } from "./make";
import { moveCollection } from "./move";
import { readNews } from "./news";
import { putAway } from "./put-away";
import { readCollection } from "./read";
import { removeCollection } from "./remove";
import { readSections } from "./sections";
import { setView } from "./set-view";
import { readSomeItems } from "./some-items";
import { tagCollection } from "./tag";
import { readTree } from "./tree";
import { useCollection } from "./use";

/** What people can do, by name. */
export const actions = {
  "collections.put-back": putBack,
  "collections.then": readThenOf,
  "collections.be-here": beHere,
  "collections.cover": uploadCover,
  "collections.covers": readCovers,
  "collections.duplicate": duplicateCollection,
  "collections.edit": editCollection,
  "collections.fit": fitCollection,
  "collections.happened": readHappened,
  "collections.items": readItems,
  "collections.kinds": readKinds,
  "collections.make": makeCollection,
  "collections.move": moveCollection,
  "collections.news": readNews,
  "collections.put-away": putAway,
  "collections.read": readCollection,
  "collections.remove": removeCollection,
  "collections.sections": readSections,
  "collections.set-view": setView,
  "collections.some-items": readSomeItems,
  "collections.tag": tagCollection,
  "collections.use": useCollection,
  "collections.tree": readTree,
};
