import { addOwnStyle } from "./add-style";
import { readBibliography } from "./bibliography";
import { cite } from "./cite";
import { convertReferences } from "./convert";
import { lookUp } from "./look-up";
import { offerOwnStyle } from "./offer-style";
import { readStyles } from "./styles";

/** What people can do, by name. */
export const actions = {
  "references.add-style": addOwnStyle,
  "references.bibliography": readBibliography,
  "references.cite": cite,
  "references.convert": convertReferences,
  "references.look-up": lookUp,
  "references.offer-style": offerOwnStyle,
  "references.styles": readStyles,
};
