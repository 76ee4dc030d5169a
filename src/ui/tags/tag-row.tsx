import { EditableCell } from "../bench/views/editable-cell";
import { Link } from "../parts/link";
import { sayAgo } from "../talk/say-time";
import { uses } from "./merge-dialog";
import type { TagRow } from "./use-tags";

type Props = {
  team: string;
  tag: TagRow;
  arranges: boolean;
  isMarked: boolean;
  onMark: () => void;
  onRename: (name: string) => Promise<void>;
};

/** A tag with how much it is used, to choose, to rename and to open. */
export function TagRowOf({ team, tag, arranges, isMarked, onMark, onRename }: Props) {
  return (
    <tr className="border-b border-line hover:bg-sunk">
      {arranges && (
        <td>
          <input
            type="checkbox"
            aria-label={`Choose ${tag.name}`}
            checked={isMarked}
            onChange={onMark}
            className="size-4 accent-(--accent)"
          />
        </td>
      )}
      <td className="max-w-80">
        <EditableCell
          plain
          reachable={arranges}
          name="title"
          cell={{
            label: "Name of the tag",
            text: tag.name,
            save: arranges ? onRename : undefined,
          }}
        />
      </td>
      <td className="text-right whitespace-nowrap">{uses(tag.count)}</td>
      <td className="pl-6 whitespace-nowrap text-quiet max-sm:hidden" suppressHydrationWarning>
        {tag.last ? sayAgo(tag.last) : ""}
      </td>
      <td className="text-right">
        <Link
          href={`/team/${team}/tags/${tag.id}`}
          className="rounded px-2 py-1 text-accent hover:underline"
          aria-label={`The page of ${tag.name}`}
        >
          Open
        </Link>
      </td>
    </tr>
  );
}
