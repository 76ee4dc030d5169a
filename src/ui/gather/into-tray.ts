import type { Answer } from "@/services/registry";
import { Refusal } from "../talk/call";
import { deliver } from "../talk/deliver";
import { newId } from "../talk/ids";
import { inPlace } from "../talk/in-place";
import { sayFailure } from "../talk/say-failure";
import { toast } from "../talk/toast";

/** The page of one's Tray in a team. */
export const trayOf = (team: string): string => `/team/${team}/tray`;

/** Says that something waits in the Tray, with the way there. */
export function sayWaits(count: number, open: () => void): void {
  toast(count === 1 ? "It waits in your Tray." : `${count} wait in your Tray.`, {
    action: { label: "Open the Tray", onClick: open },
  });
}

type Around = { team: string; done: () => void; go: (path: string) => void };

/** Brings one address into the Tray; of what is here already it is said where. */
export function addressIntoTray(address: string, { team, done, go }: Around): void {
  deliver("capture.address", { team, address }, `address:${newId()}`, address)
    .then((answer) => {
      done();
      if (answer.already) sayHere(answer, go);
      else sayWaits(1, () => go(trayOf(team)));
    })
    .catch((error: unknown) => {
      const why = error instanceof Refusal && error.fields.address;
      if (why) toast.error(`${why} You pasted “${address.trim().slice(0, 60)}”.`);
      else sayFailure(error);
    });
}

/** Keeps a text as a note in the Tray. */
export function noteIntoTray(text: string, { team, done, go }: Around): void {
  deliver("capture.note", { team, text }, `note:${newId()}`, text)
    .then(() => {
      done();
      toast("Kept as a note. It waits in your Tray.", {
        action: { label: "Open the Tray", onClick: () => go(trayOf(team)) },
      });
    })
    .catch(sayFailure);
}

function sayHere({ resource, places }: Answer<"capture.address">, go: Around["go"]): void {
  const [first] = places;
  toast(`You have this already: ${resource.title}`, {
    description: first ? `It stands in ${first.title}.` : "It is in the catalogue, in no collection.",
    action: first
      ? { label: "Go there", onClick: () => go(inPlace(first)) }
      : { label: "Read it", onClick: () => go(`/read/${resource.id}`) },
  });
}
