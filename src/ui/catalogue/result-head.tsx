/** The columns of the list, which the head and every row share. */
export const COLUMNS =
  "grid px-1.5 grid-cols-[1.25rem_1.5rem_minmax(0,1fr)_36px] gap-x-3 md:grid-cols-[1.25rem_1.5rem_minmax(0,1fr)_minmax(120px,200px)_minmax(100px,170px)_84px_36px]";

/** What stands in each column; all that is shown is chosen from here. */
export function ResultHead({ all, onAll }: { all: boolean; onAll: (on: boolean) => void }) {
  return (
    <div
      role="row"
      className={`${COLUMNS} sticky top-0 z-10 border-b border-line bg-sheet py-1.5 text-sm text-quiet`}
    >
      <span role="columnheader" className="flex items-center">
        <input
          type="checkbox"
          aria-label="Choose all that is shown"
          checked={all}
          onChange={(event) => onAll(event.target.checked)}
          className="size-4 accent-[var(--accent)]"
        />
      </span>
      <span role="columnheader">
        <span className="sr-only">Kind</span>
      </span>
      <span role="columnheader">Title</span>
      <span role="columnheader" className="max-md:hidden">
        Tags
      </span>
      <span role="columnheader" className="max-md:hidden">
        Stands in
      </span>
      <span role="columnheader" className="text-right max-md:hidden">
        Added
      </span>
      <span role="columnheader">
        <span className="sr-only">What to do</span>
      </span>
    </div>
  );
}
