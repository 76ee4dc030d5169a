import { Button } from "../parts/button";
import type { Page } from "./use-catalogue";

type Props = {
  /** The first page of what was found; undefined before it has come. */
  top: Page | undefined;
  query: string;
  order: "best" | "newest";
  looking: boolean;
  onOrder: () => void;
  onMeant: (query: string) => void;
};

/** How much was found, in which order, and what may have been meant. */
export function FoundLine({ top, query, order, looking, onOrder, onMeant }: Props) {
  const total = top?.total ?? null;
  return (
    <>
      <div className="flex items-center gap-3 border-b border-line px-4 py-1.5 text-[15px] text-quiet sm:px-6">
        <p aria-live="polite" className="flex-1">
          {total === null
            ? ""
            : query.trim()
              ? `${total > 1000 ? "More than 1,000" : total} ${total === 1 ? "thing" : "things"}`
              : `${(top?.indexed ?? total).toLocaleString("en-GB")} things`}
          {top && !top.ranked && total !== 0 && ", newest first"}
          {looking && " · looking …"}
        </p>
        {top?.ranked && (
          <Button small look="quiet" onClick={onOrder}>
            {order === "best" ? "Best first" : "Newest first"}
          </Button>
        )}
      </div>
      {top?.meant && (
        <p className="border-b border-line px-4 py-2 sm:px-6">
          Did you mean{" "}
          <button
            type="button"
            className="font-semibold text-accent underline"
            onClick={() => onMeant(top.meant!)}
          >
            {top.meant}
          </button>
          ?
        </p>
      )}
    </>
  );
}
