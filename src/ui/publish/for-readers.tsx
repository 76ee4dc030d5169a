"use client";

import { useState } from "react";
import { VIEW_WORDS } from "@/core/list/view-setting";
import { READER_VIEWS, type ReaderView } from "@/core/publish/model";
import { LEVELS } from "@/core/text/lix";
import { Choice, Field } from "../parts/field";
import { call } from "../talk/call";
import { sayByField } from "../talk/say-failure";

export type ForReadersValues = {
  view: ReaderView;
  language: string;
  aimMinutes: number | null;
  aimLevel: number | null;
  framedBy: string;
  showsOutcomes: boolean;
};
type Setting = Partial<Omit<ForReadersValues, "view">>;

const VIEWS = READER_VIEWS.map((view) => [view, VIEW_WORDS[view]] as const);
const LEVEL_CHOICES = [
  ["", "As they are"],
  ...LEVELS.map(({ most, words }) => [String(most), `${words} (LIX ${most})`] as const),
] as const;
/** Those a page is often written in; any other can be typed where one says so over the open interface. */
const LANGUAGES = [
  ["", "Nobody has said"],
  ...["ar", "cs", "da", "de", "el", "en", "es", "fa", "fi", "fr", "he", "hu", "it", "ja", "nl", "no", "pl", "pt", "ro", "ru", "sv", "tr", "uk", "ur", "zh"].map(
    (tag): [string, string] => [tag, new Intl.DisplayNames(["en"], { type: "language" }).of(tag) ?? tag],
  ),
] as const; // prettier-ignore

/** What readers first see, in which language, how long it may take and how hard it may be, and who may set it into their pages. */
export function ForReaders({
  collection,
  values,
  disabled,
  onView,
  onSaved,
}: {
  collection: string;
  values: ForReadersValues;
  disabled: boolean;
  onView: (view: ReaderView) => void;
  onSaved: () => void;
}) {
  const [frames, setFrames] = useState(values.framedBy);
  const [minutes, setMinutes] = useState(values.aimMinutes === null ? "" : String(values.aimMinutes));
  const [wrong, setWrong] = useState<Record<string, string>>({});
  const save = (setting: Setting) => {
    setWrong({});
    return call("collections.edit", { collection, ...setting }).then(onSaved, sayByField(setWrong));
  };
  const levels =
    values.aimLevel === null || LEVELS.some(({ most }) => most === values.aimLevel)
      ? LEVEL_CHOICES
      : [...LEVEL_CHOICES, [String(values.aimLevel), `LIX ${values.aimLevel}`] as const];
  const known = LANGUAGES.some(([tag]) => tag === values.language);
  return (
    <details>
      <summary className="w-fit cursor-pointer rounded-sm py-1 text-[15px] text-accent">
        How readers see it
      </summary>
      <div className="mt-2 grid grid-cols-2 gap-x-4 gap-y-3">
        <Choice
          label="They first see"
          options={VIEWS}
          value={values.view}
          disabled={disabled}
          onChange={(event) => onView(event.target.value as ReaderView)}
        />
        <Choice
          label="Written in"
          options={known ? LANGUAGES : [...LANGUAGES, [values.language, values.language]]}
          defaultValue={values.language}
          disabled={disabled}
          onChange={(event) => void save({ language: event.target.value })}
        />
        <Field
          label="Not longer than"
          hint="minutes; empty: as it is"
          type="number"
          min={1}
          value={minutes}
          disabled={disabled}
          error={wrong.aimMinutes}
          onChange={(event) => setMinutes(event.target.value)}
          onBlur={() => {
            const aimMinutes = minutes ? Number(minutes) : null;
            if (aimMinutes !== values.aimMinutes) void save({ aimMinutes });
          }}
        />
        <Choice
          label="Not harder than"
          options={levels}
          defaultValue={values.aimLevel === null ? "" : String(values.aimLevel)}
          disabled={disabled}
          onChange={({ target: { value } }) => void save({ aimLevel: value ? Number(value) : null })}
        />
        <Field
          label="Sites that may frame it"
          hint="* for any; empty: none"
          value={frames}
          disabled={disabled}
          error={wrong.framedBy}
          onChange={(event) => setFrames(event.target.value)}
          onBlur={() => frames !== values.framedBy && void save({ framedBy: frames })}
        />
        <label className="col-span-2 flex items-center gap-2 text-[15px]">
          <input
            type="checkbox"
            className="size-4 accent-accent"
            defaultChecked={values.showsOutcomes}
            disabled={disabled}
            onChange={({ target }) => void save({ showsOutcomes: target.checked })}
          />
          They are told which outcomes it serves
        </label>
      </div>
    </details>
  );
}
