import { renewLink } from "./renew";
import { setAudience } from "./set";

/** What people can do, by name. */
export const actions = {
  "share.renew": renewLink,
  "share.set": setAudience,
};
