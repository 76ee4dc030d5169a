import type { Supplied } from "../state/types";

/** What every tab of the supply side is given. */
export type SupplyProps = {
  team: string;
  /** Resources that stand in the open collection already. */
  here: ReadonlySet<string>;
  onPlace?: (resources: Supplied[]) => void;
};
