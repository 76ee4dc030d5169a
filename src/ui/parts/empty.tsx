/**
 * An empty place: says what belongs here and offers the first step. It stands on the edge of the text around it.
 * @param inset in a panel that has no edge of its own
 */
export function Empty({
  title,
  inset,
  children,
}: {
  title: string;
  inset?: boolean;
  children?: React.ReactNode;
}) {
  return (
    <div className={`flex max-w-md flex-col items-start gap-3 py-8 ${inset ? "px-4" : ""}`}>
      <p className="font-serif text-lg font-semibold">{title}</p>
      <div className="flex flex-col items-start gap-3 text-[15px] text-quiet">{children}</div>
    </div>
  );
}
