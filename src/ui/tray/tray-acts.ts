import type { TrayState } from "@/core/tray/states";
import type { Supplied } from "../bench/state/types";
import { sayDone } from "../shell/use-undo";
import { call } from "../talk/call";
import { sayFailure } from "../talk/say-failure";
import type { Use } from "./use-for";

const DONE: Record<TrayState, (what: string) => string> = {
  waiting: (what) => `${what} again.`,
  looked: (what) => `${what}: looked at.`,
  use: (what) => `${what}: still to use.`,
  away: (what) => `Put away${what}. In the catalogue it stays.`,
};

/** Says of things in one's Tray what becomes of them, and how it is taken back. */
export function setTray(
  team: string,
  resources: readonly Pick<Supplied, "id" | "title">[],
  state: TrayState,
  again: () => void,
  use?: Use,
): void {
  const ids = resources.map((one) => one.id);
  call("tray.set-many", { team, resources: ids, state, ...use })
    .then(({ entry }) => {
      again();
      const many = resources.length === 1 ? "" : ` ${resources.length}`;
      const what =
        state === "away" ? many : resources.length === 1 ? resources[0]!.title : `${resources.length} items`;
      sayDone(state === "waiting" ? `Waits${many} again.` : DONE[state](what), team, entry, again);
    })
    .catch(sayFailure);
}
