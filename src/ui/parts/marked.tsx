/** Text with the words that were looked for marked. */
export function Marked({ text, marks }: { text: string; marks: readonly (readonly number[])[] }) {
  const parts: React.ReactNode[] = [];
  let at = 0;
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
