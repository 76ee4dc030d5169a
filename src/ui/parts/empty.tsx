/** An empty place: says what belongs here and offers the first step. */
export function Empty({ title, children }: { title: string; children?: React.ReactNode }) {
  return (
    <div className="mx-auto flex max-w-md flex-col items-start gap-3 px-6 py-10">
      <p className="font-serif text-lg font-semibold">{title}</p>
      <div className="flex flex-col items-start gap-3 text-[15px] text-quiet">{children}</div>
    </div>
  );
}
