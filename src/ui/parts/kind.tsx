import { KIND_SHAPES } from "@/core/look/kind-shapes";
import type { Kind } from "@/core/page/facts";
import { KIND_WORDS } from "@/core/look/kind-words";

const COLOUR: Record<Kind, string> = {
  page: "text-page",
  video: "text-video",
  document: "text-document",
  picture: "text-picture",
  sound: "text-sound",
  note: "text-note",
};

/** The shape of a kind in its colour, without its word. */
const KindShape = ({ kind, size }: { kind: Kind; size: number }) => (
  <svg viewBox="0 0 12 12" width={size} height={size} aria-hidden className={`shrink-0 ${COLOUR[kind]}`}>
    <path fill="currentColor" fillRule="evenodd" d={KIND_SHAPES[kind]} />
  </svg>
);

/** The mark of a kind: its shape in its colour and, for those who see neither, its word. */
export function KindMark({ kind, size = 16 }: { kind: Kind; size?: number }) {
  return (
    <span className="inline-flex size-6 shrink-0 items-center justify-center">
      <KindShape kind={kind} size={size} />
      <span className="sr-only">{KIND_WORDS[kind]}</span>
    </span>
  );
}

/** The shape of a kind, beside its word. */
export function KindWord({ kind }: { kind: Kind }) {
  return (
    <span className="inline-flex items-baseline gap-1.5">
      <KindShape kind={kind} size={11} />
      {KIND_WORDS[kind]}
    </span>
  );
}
