import { call } from "../talk/call";
import { newId } from "../talk/ids";
import { inPlace } from "../talk/in-place";
import { sayFailure } from "../talk/say-failure";
import { sayDone } from "./use-undo";

type Placing = {
  team: string;
  resources: readonly string[];
  /** Where to; the end of it. */
  to: { collection: string; title: string };
  /** The context line of a single one there. */
  words?: string;
  /** What to do when it is done, or taken back. */
  done: () => void;
  go: (path: string) => void;
};

/** Places things of the catalogue in a collection, and says so with the way there. */
export function placeResources({ team, resources, to, words, done, go }: Placing): void {
  const { collection, title } = to;
  const made = resources.map(newId);
  const [first] = made;
  const answer =
    words === undefined
      ? call("placements.copy-many", { resources: [...resources], collection, ids: made })
      : call("placements.add", { collection, resource: resources[0]!, placement: first!, context: words });
  answer
    .then(({ entry }) => {
      done();
      const count = resources.length === 1 ? "" : ` ${resources.length}`;
      sayDone(`Placed${count} in ${title}.`, team, entry, done, {
        words: "Go there",
        go: () => go(inPlace({ collection, placement: first! })),
      });
    })
    .catch(sayFailure);
}
