import { Key } from "./key";

/** The look of one of the few commands that stand beneath what is chosen; for those that are links. */
export const KEY_BUTTON =
  "flex h-7 items-center gap-1.5 rounded px-1.5 text-sm text-quiet hover:text-ink hover:underline";

/** A command beneath what is chosen, with the key that does the same. */
export function KeyButton({ keys, children, ...rest }: { keys: string } & React.ComponentProps<"button">) {
  return (
    <button type="button" className={KEY_BUTTON} {...rest}>
      <Key>{keys}</Key> {children}
    </button>
  );
}
