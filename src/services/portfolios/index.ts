import { addToPortfolio } from "./add";
import { readPortfolio } from "./read";

/** What people can do, by name. */
export const actions = {
  "portfolios.add": addToPortfolio,
  "portfolios.read": readPortfolio,
};
