"use client";

import { Gate } from "../account/gate";
import { Button } from "../parts/button";

/** Nothing is here, or nothing that this person may see; which of the two is not told. */
export function NotHere() {
  return (
    <Gate
      title="Nothing is here for you"
      about="The address may have a slip in it, or it belongs to a team you are not in."
    >
      <Button onClick={() => window.location.assign("/")}>To your Desk</Button>
    </Gate>
  );
}

/** Something failed that nobody foresaw. */
export function WentWrong({ reset }: { reset: () => void }) {
  return (
    <Gate title="Something went wrong on our side" about="What was saved is safe.">
      <Button onClick={reset}>Try again</Button>
    </Gate>
  );
}
