"use client";

import { COLUMN_MEANINGS, type ColumnMeaning } from "@/core/formats/table-heads";
import type { ReadAnswer } from "@/workers/read-import-file";
import { Choice } from "../parts/field";

const MEANING_WORDS: Record<ColumnMeaning, string> = {
  address: "Web address",
  title: "Title",
  tags: "Tags",
  note: "Context line",
  date: "Date added",
  collection: "Collection",
  section: "Section",
  author: "Authors",
  nothing: "Leave out",
};

/** What each column of a table is taken for; changing one reads the table again. */
export function Columns({
  table,
  onChange,
}: {
  table: NonNullable<(ReadAnswer & { ok: true })["table"]>;
  onChange: (meanings: ColumnMeaning[]) => void;
}) {
  return (
    <fieldset className="flex gap-3 overflow-x-auto pb-1">
      <legend className="mb-1 text-sm font-semibold">Columns</legend>
      {table.columns.map((name, i) => (
        <div key={i} className="w-40 shrink-0">
          <Choice
            label={name}
            options={COLUMN_MEANINGS.map((meaning) => [meaning, MEANING_WORDS[meaning]] as const)}
            value={table.meanings[i]}
            onChange={(event) =>
              onChange(
                table.meanings.map((old, k) => (k === i ? (event.target.value as ColumnMeaning) : old)),
              )
            }
          />
          <p className="mt-1 truncate text-sm text-quiet">
            {table.sample.map((row) => row[i]).find(Boolean)}
          </p>
        </div>
      ))}
    </fieldset>
  );
}
