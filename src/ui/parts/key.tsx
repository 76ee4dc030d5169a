/** A key, shown where it acts. */
export function Key({ children }: { children: React.ReactNode }) {
  return (
    <kbd className="inline-flex h-5 min-w-5 items-center justify-center rounded border border-edge bg-sheet px-1 font-sans text-xs text-quiet">
      {children}
    </kbd>
  );
}
