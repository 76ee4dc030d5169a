import { personColour } from "@/core/look/person-colour";
import { initials } from "./initials";

const GROUNDS: Record<ReturnType<typeof personColour>, string> = {
  page: "bg-page text-sheet",
  video: "bg-video text-sheet",
  document: "bg-document text-sheet",
  picture: "bg-picture text-sheet",
  sound: "bg-sound text-sheet",
  note: "bg-note text-sheet",
  accent: "bg-accent text-on-accent",
};

type Person = { id: string; name: string; image?: string | null };

/** The mark of a person: their picture, or two letters on their colour. The name stands beside it, or is said apart. */
export function PersonMark({ person, className = "size-8" }: { person: Person; className?: string }) {
  if (person.image)
    return (
      // eslint-disable-next-line @next/next/no-img-element -- kept pictures are made to size already
      <img
        src={`/api/pictures/${person.image}`}
        alt=""
        className={`shrink-0 rounded-full object-cover ${className}`}
      />
    );
  return (
    <span
      aria-hidden
      className={`flex shrink-0 items-center justify-center rounded-full text-xs font-bold ${GROUNDS[personColour(person.id)]} ${className}`}
    >
      {initials(person.name)}
    </span>
  );
}
