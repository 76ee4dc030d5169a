import { addTags } from "./add";
import { changeTags } from "./change";
import { deleteTags } from "./delete";
import { lookAtTag } from "./look";
import { mergeTags } from "./merge";
import { previewMerge } from "./preview-merge";
import { readTags } from "./read";
import { removeTag } from "./remove";
import { renameTag } from "./rename";
import { suggestTagsOf } from "./suggest";
import { tendTags } from "./tend";

/** What people can do, by name. */
export const actions = {
  "tags.add": addTags,
  "tags.change": changeTags,
  "tags.delete": deleteTags,
  "tags.look": lookAtTag,
  "tags.merge": mergeTags,
  "tags.preview-merge": previewMerge,
  "tags.read": readTags,
  "tags.remove": removeTag,
  "tags.rename": renameTag,
  "tags.suggest": suggestTagsOf,
  "tags.tend": tendTags,
};
