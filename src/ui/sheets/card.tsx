import type { Answer } from "@/services/registry";
import { STAGE_WORDS } from "../handouts/stage-words";
import { Day } from "../parts/day";
import { Empty } from "../parts/empty";
import { Link } from "../parts/link";

/** What the holder of a card was given. */
export function Card({ card, shown }: { card: string; shown: Answer<"sheets.of-card"> }) {
  return (
    <main id="main" className="mx-auto flex max-w-2xl flex-col gap-6 px-4 pt-8 pb-16">
      <header className="border-b border-line pb-4">
        <p className="text-[15px] text-quiet">{shown.group}</p>
        <h1 className="font-serif text-3xl font-semibold break-words">{shown.name}</h1>
      </header>
      {shown.handouts.length === 0 ? (
        <Empty title="Nothing was given to you yet">
          <p>When something is, it stands here. Keep your card.</p>
        </Empty>
      ) : (
        <ul>
          {shown.handouts.map((one) => (
            <li key={one.id} className="border-b border-line">
              <Link
                href={`/h/${card}/${one.id}`}
                className="flex flex-col gap-0.5 rounded-md py-3 hover:bg-wash sm:px-2"
              >
                <span className="font-serif text-xl font-semibold break-words">{one.title}</span>
                <span className="text-[15px] text-quiet">
                  {one.stage === "unopened" ? "New" : STAGE_WORDS[one.stage]}
                  {one.until && (
                    <>
                      {" "}
                      · until <Day of={one.until} />
                    </>
                  )}
                </span>
              </Link>
            </li>
          ))}
        </ul>
      )}
    </main>
  );
}
