import type { ReaderPlaces } from "@/core/publish/reader-places";
import { addressOfHobbin } from "../accounts/address";

/** Which document is asked for: of the collection with this code as it stands or stood, or of a part of it. */
export type AskedPart = { code: string; part?: string | null; edition?: number | null };

/** Where everything of a page is found by its readers. */
export function placesOf({ code, part, edition }: AskedPart): ReaderPlaces {
  const top = edition ? `/c/${code}/e/${edition}` : `/c/${code}`;
  const self = part ? `${top}/in/${part}` : top;
  return {
    self,
    home: `/c/${code}`,
    site: addressOfHobbin(),
    picture: (hash) => `${self}/p/${hash}`,
    file: (item) => `${self}/f/${item.id}`,
    captions: (item) => `${self}/f/${item.id}?captions`,
    ...(!edition && { references: `${self}/references` }),
    copy: (item) => `${self}/t/${item.id}`,
    fonts: "/fonts",
    view: (view) => `${self}?view=${view}`,
    everything: null,
    // What has a code of its own is not of the edition.
    door: (door) => `${door.code ? `/c/${door.code}` : top}${door.part ? `/in/${door.part}` : ""}`,
  };
}
