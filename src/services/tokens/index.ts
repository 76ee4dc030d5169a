import { makeToken } from "./make";
import { offerPairing } from "./offer";
import { pair } from "./pair";
import { readTokens } from "./read";
import { revokeToken } from "./revoke";

/** What people can do, by name. */
export const actions = {
  "tokens.make": makeToken,
  "tokens.offer": offerPairing,
  "tokens.pair": pair,
  "tokens.read": readTokens,
  "tokens.revoke": revokeToken,
};
