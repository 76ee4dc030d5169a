"use client";

import { clsx } from "clsx";
import { MoreHorizontal } from "lucide-react";
import { DropdownMenu } from "radix-ui";
import { useEffect, useState } from "react";
import { Key } from "./key";

const PANEL =
  "z-50 min-w-52 max-w-80 max-h-[var(--radix-dropdown-menu-content-available-height)] overflow-y-auto rounded-md border border-line scrolls p-1 shadow-lift";

/** A menu that opens from its button. */
export function Menu({
  button,
  align = "start",
  begun,
  children,
}: {
  button: React.ReactNode;
  align?: "start" | "end";
  /** By what it was opened before it was there: it is open from the start. */
  begun?: "key" | "pointer";
  children: React.ReactNode;
}) {
  const [byKey, setByKey] = useState(begun === "key");
  useEffect(() => {
    if (begun !== "key") return;
    const frame = requestAnimationFrame(() => focusFirst(document.activeElement));
    return () => cancelAnimationFrame(frame);
  }, [begun]);
  return (
    <DropdownMenu.Root modal={false} defaultOpen={!!begun}>
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

/**
 * The menu of one row among many: its button has no tooltip, and nothing of the menu is there before it is opened, or
 * both would be made for every row that scrolls by.
 */
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
  const [begun, setBegun] = useState<"key" | "pointer">();
  const button = {
    type: "button",
    "aria-label": label,
    tabIndex: reachable ? 0 : -1,
    className:
      "flex size-9 shrink-0 items-center justify-center rounded-md text-quiet hover:bg-sheet hover:text-ink",
    children: <MoreHorizontal size={18} aria-hidden />,
  } as const;
  if (begun)
    return (
      <Menu align="end" begun={begun} button={<button {...button} />}>
        {children}
      </Menu>
    );
  return (
    <button
      {...button}
      aria-haspopup="menu"
      aria-expanded={false}
      // A click without a pointer is Enter or the space bar.
      onClick={(event) => setBegun(event.detail === 0 ? "key" : "pointer")}
      onKeyDown={(event) => {
        if (event.key !== "ArrowDown") return;
        event.preventDefault();
        setBegun("key");
      }}
    />
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
      <span className="min-w-0 flex-1 truncate">{children}</span>
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
