import { PersonMark } from "../../parts/person-mark";

type Props = {
  id: string;
  offers: readonly { id: string; name: string; image: string | null }[];
  at: number;
  /** Above the field, where there is no room below. */
  up: boolean;
  onTake: (name: string) => void;
};

/** Who is offered while a name is written; the keys stay with the field. */
export function NameOffers({ id, offers, at, up, onTake }: Props) {
  return (
    <>
      <p role="status" className="sr-only">
        {offers.length === 1 ? "1 name" : `${offers.length} names`}
      </p>
      <ul
        id={id}
        role="listbox"
        aria-label="Who is meant"
        className={`absolute left-0 z-30 w-72 max-w-full rounded-md border border-line bg-sheet p-1 shadow-lift ${up ? "bottom-full mb-1" : "top-full mt-1"}`}
      >
        {offers.map((one, i) => (
          <li
            key={one.id}
            id={`${id}-${i}`}
            role="option"
            aria-selected={i === at}
            // The field keeps the focus.
            onPointerDown={(event) => event.preventDefault()}
            onClick={() => onTake(one.name)}
            className={`flex min-h-9 cursor-pointer items-center gap-2 rounded-sm px-2 text-[15px] ${i === at ? "bg-wash" : ""}`}
          >
            <PersonMark person={one} className="size-6 text-[10px]" />
            <span className="min-w-0 truncate">{one.name}</span>
          </li>
        ))}
      </ul>
    </>
  );
}
