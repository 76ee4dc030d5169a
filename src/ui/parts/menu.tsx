"use client";

import { clsx } from "clsx";
import { MoreHorizontal } from "lucide-react";
import { Slot, type DropdownMenu as Radix } from "radix-ui";
import { useEffect, useState } from "react";
import { Key } from "./key";

/** Set from the moment on when the first menu of the screen is asked for. */
let DropdownMenu: typeof Radix;
let asked: Promise<void> | undefined;
const load = () =>
  (asked ??= import("./menu-radix").then(
    (loaded) => void (DropdownMenu = loaded.DropdownMenu),
    // The next press asks again.
    () => (asked = undefined),
  ));

const PANEL =
  "z-50 min-w-52 max-w-80 max-h-[var(--radix-dropdown-menu-content-available-height)] overflow-y-auto rounded-md border border-line scrolls p-1 shadow-lift";

type Begun = "key" | "pointer";
type Props = { button: React.ReactNode; align?: "start" | "end"; children: React.ReactNode };

/**
 * A menu that opens from its button. Nothing of it is there before it is opened for the first time: neither its entries
 * (in a list they would be made for every row that scrolls by) nor, on a screen where none was, its script.
 */
export function Menu(props: Props) {
  const [begun, setBegun] = useState<Begun>();
  const begin = async (by: Begun) => {
    await load();
    if (DropdownMenu) setBegun(by);
  };
  if (begun) return <Begun {...props} begun={begun} />;
  return (
    <Slot.Root
      aria-haspopup="menu"
      aria-expanded={false}
      onPointerEnter={() => void load()}
      onFocus={() => void load()}
      // A click without a pointer is Enter or the space bar.
      onClick={(event: React.MouseEvent) => void begin(event.detail === 0 ? "key" : "pointer")}
      onKeyDown={(event: React.KeyboardEvent) => {
        if (event.key !== "ArrowDown") return;
        event.preventDefault();
        void begin("key");
      }}
    >
      {props.button}
    </Slot.Root>
  );
}

/** The menu, open at first by what it was begun by. */
function Begun({ button, align = "start", begun, children }: Props & { begun: Begun }) {
  const [byKey, setByKey] = useState(begun === "key");
  useEffect(() => {
    if (begun !== "key") return;
    const frame = requestAnimationFrame(() => focusFirst(document.activeElement));
    return () => cancelAnimationFrame(frame);
  }, [begun]);
  return (
    <DropdownMenu.Root modal={false} defaultOpen>
      <DropdownMenu.Trigger asChild onPointerDown={() => setByKey(false)} onKeyDown={() => setByKey(true)}>
        {button}
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align={align}
          sideOffset={6}
          collisionPadding={8}
          // Opened by pointer the menu itself has the focus, and what scrolls must be in reach of the tab key; Radix
          // says -1.
          tabIndex={0}
          data-by-key={byKey || undefined}
          className={PANEL}
        >
          {children}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}

/** The menu of one row among many: its button has no tooltip. */
export function RowMenu({
  label,
  reachable,
  children,
}: {
  label: string;
  /** Whether the tab key gets to it; in a list only in the row that has the focus. */
  reachable: boolean;
  children: React.ReactNode;
}) {
  return (
    <Menu
      align="end"
      button={
        <button
          type="button"
          aria-label={label}
          tabIndex={reachable ? 0 : -1}
          className="flex size-9 shrink-0 items-center justify-center rounded-md text-quiet hover:bg-sheet hover:text-ink"
        >
          <MoreHorizontal size={18} aria-hidden />
        </button>
      }
    >
      {children}
    </Menu>
  );
}

type ItemProps = {
  onSelect?: () => void;
  keys?: string;
  stop?: boolean;
  current?: boolean;
  disabled?: boolean;
  children: React.ReactNode;
  href?: string;
  download?: boolean;
};

/** One thing to do or to go to; the key that does the same stands beside it. */
export function MenuItem({ onSelect, keys, stop, current, disabled, children, href, download }: ItemProps) {
  const look = clsx(
    "flex min-h-9 w-full items-center gap-2 rounded-sm px-3 py-1.5 text-[15px] outline-none data-[highlighted]:bg-wash data-[disabled]:opacity-60",
    stop && "text-stop",
    current && "font-semibold",
  );
  const inner = (
    <>
      <span className="min-w-0 flex-1 break-words">{children}</span>
      {keys && <Key>{keys}</Key>}
    </>
  );
  return (
    <DropdownMenu.Item
      className={look}
      onSelect={onSelect}
      disabled={disabled}
      asChild={!!href}
      aria-current={current || undefined}
    >
      {href ? (
        <a
          href={href}
          download={download || undefined}
          {...(/^https?:/.test(href) && { target: "_blank", rel: "noreferrer" })}
        >
          {inner}
        </a>
      ) : (
        inner
      )}
    </DropdownMenu.Item>
  );
}

/**
 * For entries whose script is still loading when the menu opens: who opened it by key stands on its first entry then,
 * as if they had been there.
 */
export function useLateEntries(): void {
  useEffect(() => focusFirst(document.activeElement), []);
}

/** Goes from a menu that was opened by key, and has the focus itself, to its first entry. */
function focusFirst(menu: Element | null): void {
  if (menu?.matches("[role=menu][data-by-key]"))
    menu.querySelector<HTMLElement>("[role=menuitem]:not([data-disabled])")?.focus();
}

/** A line between groups of a menu. */
export const MenuLine = () => <DropdownMenu.Separator className="my-1 h-px bg-line" />;
export const MenuLabel = ({ children }: { children: React.ReactNode }) => (
  <DropdownMenu.Label className="px-3 py-1.5 text-sm text-quiet">{children}</DropdownMenu.Label>
);
