import { COMFORT, type Comfort } from "@/core/read/comfort";
import { saveComfort } from "@/data/queries/reading";
import { action } from "@/mechanism/action";
import { OneOf } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class SetComfort {
  @OneOf(COMFORT.size) size: Comfort["size"];
  @OneOf(COMFORT.width) width: Comfort["width"];
  @OneOf(COMFORT.space) space: Comfort["space"];
  @OneOf(COMFORT.face) face: Comfort["face"];
  @OneOf(COMFORT.ground) ground: Comfort["ground"];
}

export const setComfort = action({
  name: "reading.comfort",
  about: "Says how one likes to read: size, width, space, letters, ground. It holds on every device.",
  input: SetComfort,
  allow: can.beSignedIn(),
  // Nobody else changes these.
  locks: null,
  history: null,
  run: async ({ input, scope, tx, at }) => {
    const { size, width, space, face, ground } = input;
    const comfort = { size, width, space, face, ground };
    await saveComfort(tx, scope.person!, comfort, at);
    return { comfort };
  },
});
