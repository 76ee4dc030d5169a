import type { Answer } from "@/services/registry";
import { GUEST_WORDS } from "../guests/guest-words";
import { Link } from "../parts/link";

/** The collections of other teams one was let into, whichever team's Desk it is: they stand in no team of one's own. */
export function LetInto({ collections }: { collections: Answer<"guests.let-into">["collections"] }) {
  if (!collections.length) return null;
  return (
    <section aria-labelledby="let-into" className="mb-8">
      <h2 id="let-into" className="border-b border-line pb-3 font-serif text-2xl font-semibold">
        As a guest
      </h2>
      <ul>
        {collections.map((one) => (
          <li key={one.id} className="border-b border-line py-3">
            <Link
              href={`/bench/${one.id}`}
              className="font-serif text-lg font-semibold break-words hover:underline"
            >
              {one.title}
            </Link>
            <span className="block text-sm text-quiet">
              {one.teamName} · {GUEST_WORDS[one.role].name}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}
