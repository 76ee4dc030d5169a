"use client";

import { clsx } from "clsx";
import { DropdownMenu } from "radix-ui";
import { Key } from "./key";

const PANEL =
  "z-50 min-w-52 max-w-80 max-h-[70vh] overflow-y-auto rounded-md border border-line bg-sheet p-1 shadow-lift";

/** A menu that opens from its button. */
export function Menu({
  button,
  align = "start",
  children,
}: {
  button: React.ReactNode;
  align?: "start" | "end";
  children: React.ReactNode;
}) {
  return (
    <DropdownMenu.Root modal={false}>
      <DropdownMenu.Trigger asChild>{button}</DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content align={align} sideOffset={6} collisionPadding={8} className={PANEL}>
          {children}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
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

export const MenuLine = () => <DropdownMenu.Separator className="my-1 h-px bg-line" />;
export const MenuLabel = ({ children }: { children: React.ReactNode }) => (
  <DropdownMenu.Label className="px-3 py-1.5 text-sm text-quiet">{children}</DropdownMenu.Label>
);
