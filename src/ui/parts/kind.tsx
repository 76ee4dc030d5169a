import { AudioLines, Clapperboard, FileText, Globe, Image as Picture, StickyNote } from "lucide-react";
import type { Kind } from "@/core/page/facts";
import { KIND_WORDS } from "./kind-words";

const ICONS = {
  page: Globe,
  video: Clapperboard,
  document: FileText,
  picture: Picture,
  sound: AudioLines,
  note: StickyNote,
};
const GROUND: Record<Kind, string> = {
  page: "bg-page",
  video: "bg-video",
  document: "bg-document",
  picture: "bg-picture",
  sound: "bg-sound",
  note: "bg-note",
};
/** The mark of a kind: colour, sign and, for those who see neither, its word. */
export function KindMark({ kind }: { kind: Kind }) {
  const Icon = ICONS[kind];
  return (
    <span
      className={`inline-flex size-6 shrink-0 items-center justify-center rounded-[5px] text-sheet ${GROUND[kind]}`}
    >
      <Icon size={14} aria-hidden />
      <span className="sr-only">{KIND_WORDS[kind]}</span>
    </span>
  );
}

/** A small square in the kind's colour, beside its word. */
export function KindWord({ kind }: { kind: Kind }) {
  return (
    <span className="inline-flex items-center gap-1.5">
      <span className={`size-2.5 rounded-[2px] ${GROUND[kind]}`} aria-hidden />
      {KIND_WORDS[kind]}
    </span>
  );
}
