type Props = {
  text: string;
  marks: readonly (readonly number[])[];
  /** For a line that is cut at its end: about so many characters stand before the first mark. */
  lead?: number;
};

/** Text with the words that were looked for marked. */
export function Marked({ text, marks, lead = text.length }: Props) {
  let at = startOf(text, marks[0]?.[0] ?? 0, lead);
  const parts: React.ReactNode[] = at ? ["… "] : [];
  for (const [start = 0, end = 0] of marks) {
    if (start < at) continue;
    parts.push(text.slice(at, start));
    parts.push(
      <mark key={start} className="rounded-sm bg-warn-wash px-0.5 text-inherit">
        {text.slice(start, end)}
      </mark>,
    );
    at = end;
  }
  parts.push(text.slice(at));
  return <>{parts}</>;
}

/** Where a word begins, at most so many characters before a place. */
function startOf(text: string, place: number, lead: number): number {
  if (place <= lead) return 0;
  const blank = text.indexOf(" ", place - lead - 1);
  return blank < 0 || blank >= place ? place : blank + 1;
}
