import { MOST_PICTURES, type TextPicture } from "@/core/page/text-pictures";
import { fetchGuarded } from "@/outside/fetch/fetch-guarded";
import { keepTextPictures } from "@/services/resources/keep-pictures";
import type { JobKind } from "./job-kind";
import { type Kept, keptPicture, mostBytes } from "./kept-picture";
import { reach } from "./read-page";

/** So many are fetched at once. */
const AT_ONCE = 4;

/** Fetches the pictures of a text and keeps them with it, as many as the limit allows; one that is not there is left out. */
export const keepPicturesJob: JobKind = {
  run: async ({ resource, number, pictures }) => {
    const wanted = (pictures as TextPicture[]).slice(0, MOST_PICTURES);
    const most = mostBytes();
    const kept: Kept[] = [];
    let bytes = 0;
    for (let i = 0; i < wanted.length && bytes < most; i += AT_ONCE)
      for (const one of await Promise.all(wanted.slice(i, i + AT_ONCE).map(fetchOne))) {
        if (!one || bytes + one.bytes > most) continue;
        bytes += one.bytes;
        kept.push(one);
      }
    await keepTextPictures(String(resource), Number(number), kept);
  },
};

async function fetchOne({ address, ...place }: TextPicture): Promise<Kept | null> {
  const fetched = await fetchGuarded(address, { asked: false, ...reach(), accept: "image/*" });
  return fetched.ok ? keptPicture(fetched.body, place, "web") : null;
}
