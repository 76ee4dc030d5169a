"use client";

import { useMemo } from "react";
import { evidenceTable, sayPassage } from "@/core/marks/evidence";
import type { Answer } from "@/services/registry";

type Marks = Answer<"marks.of-collection">;
type Props = { marks: Marks["marks"]; meanings: Marks["meanings"] };

/** Questions by sources: in each cell what was marked with that meaning, which leads to its place in the text. */
export function Evidence({ marks, meanings }: Props) {
  const { questions, rows } = useMemo(() => {
    const names = new Map(meanings.map(({ id, name }) => [id, name]));
    return evidenceTable(
      marks.map((mark) => ({
        ...mark,
        meaning: names.get(mark.meaning ?? "") ?? null,
        by: mark.by.name ?? "",
        createdAt: String(mark.createdAt),
        updatedAt: String(mark.updatedAt),
      })),
      [...names.values()],
    );
  }, [marks, meanings]);
  return (
    <div className="mt-6 overflow-x-auto" tabIndex={0} role="region" aria-label="Table of evidence">
      <table className="border-collapse text-[15px]">
        <thead>
          <tr className="border-b-2 border-edge text-left align-bottom">
            <th className="min-w-48 py-2 pr-4 font-semibold">Source</th>
            {questions.map((question) => (
              <th key={question} className="min-w-64 border-l border-line px-3 py-2 font-semibold">
                {question}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map(({ source, cells }) => (
            <tr key={source.id} className="border-b border-line align-top">
              <th scope="row" className="max-w-64 py-2 pr-4 text-left font-semibold break-words">
                {source.title}
                {source.site && <span className="block text-sm font-normal text-quiet">{source.site}</span>}
              </th>
              {cells.map((passages, i) => (
                <td key={questions[i]} className="max-w-96 border-l border-line px-3 py-2">
                  <ul className="flex flex-col gap-2">
                    {passages.map((one) => (
                      <li key={one.id}>
                        <a
                          href={`/read/${source.id}#mark-${one.id}`}
                          className="rounded-sm break-words hover:underline"
                        >
                          {sayPassage(one)}
                        </a>
                      </li>
                    ))}
                  </ul>
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
