"use client";

import type { Use } from "@/core/publish/model";
import { LEVELS } from "@/core/text/lix";
import { Choice } from "../parts/field";
import { wishLink, type Wishing } from "./use-wish";

type Kinds = { subjects: readonly string[]; uses: readonly Use[]; languages: readonly string[] };
type Props = { wishing: Wishing; kinds: Kinds };

const USE_WORDS: Record<Use, string> = {
  newsletter: "Newsletters",
  lesson: "Lessons",
  portfolio: "Portfolios",
};
const LENGTHS = [
  ["", "However long"],
  ["30", "Up to half an hour"],
  ["60", "Up to an hour"],
  ["180", "Up to three hours"],
] as const;
const LEVEL_CHOICES = [
  ["", "Easy or hard"],
  ...LEVELS.map(({ most, words }) => [String(most), words] as const),
] as const;
const languageName = (tag: string) => new Intl.DisplayNames(["en"], { type: "language" }).of(tag) ?? tag;

/** By what shelves are chosen: use, language, length, level, and subjects several teams have. */
export function ShelfBar({ wishing, kinds }: Props) {
  const { wish, go: set } = wishing;
  const asNumber = (value: string) => (value ? Number(value) : undefined);
  return (
    <div className="flex flex-col gap-3">
      <div className="grid grid-cols-2 gap-x-4 gap-y-2 sm:grid-cols-4">
        {kinds.uses.length > 0 && (
          <Choice
            label="Used as"
            options={[["", "Anything"], ...kinds.uses.map((use) => [use, USE_WORDS[use]] as const)]}
            value={wish.use ?? ""}
            onChange={({ target: { value } }) => set({ use: (value || undefined) as Use | undefined })}
          />
        )}
        {kinds.languages.length > 0 && (
          <Choice
            label="Language"
            options={[["", "Any"], ...kinds.languages.map((tag) => [tag, languageName(tag)] as const)]}
            value={wish.language ?? ""}
            onChange={({ target: { value } }) => set({ language: value || undefined })}
          />
        )}
        <Choice
          label="Length"
          options={LENGTHS}
          value={wish.minutes ? String(wish.minutes) : ""}
          onChange={({ target: { value } }) => set({ minutes: asNumber(value) })}
        />
        <Choice
          label="To read"
          options={LEVEL_CHOICES}
          value={wish.level ? String(wish.level) : ""}
          onChange={({ target: { value } }) => set({ level: asNumber(value) })}
        />
      </div>
      {kinds.subjects.length > 0 && (
        <ul aria-label="Subjects of several teams" className="flex flex-wrap gap-x-1 gap-y-1">
          {kinds.subjects.map((subject) => (
            <li key={subject}>
              <a
                {...wishLink(wishing, { tag: wish.tag === subject ? undefined : subject })}
                aria-current={wish.tag === subject || undefined}
                className="inline-flex min-h-8 items-center rounded px-2 text-[15px] text-quiet hover:text-ink hover:underline aria-[current]:bg-wash aria-[current]:font-semibold aria-[current]:text-ink"
              >
                {subject}
              </a>
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}
