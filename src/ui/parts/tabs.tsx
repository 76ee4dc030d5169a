"use client";

import { Tabs as Radix } from "radix-ui";

type Tab<T extends string> = { value: T; label: React.ReactNode };

/** Tabs with an underline; what belongs to each is given as `Tabs.Panel`. */
export function Tabs<T extends string>({
  value,
  onChange,
  tabs,
  label,
  children,
  end,
}: {
  value: T;
  onChange: (value: T) => void;
  tabs: Tab<T>[];
  label: string;
  children: React.ReactNode;
  end?: React.ReactNode;
}) {
  return (
    <Radix.Root
      value={value}
      onValueChange={(next) => onChange(next as T)}
      className="flex min-h-0 flex-1 flex-col short:min-h-auto"
    >
      <div className="flex items-center border-b border-line pr-2 pl-4">
        <Radix.List aria-label={label} className="flex gap-5">
          {tabs.map((tab) => (
            <Radix.Trigger
              key={tab.value}
              value={tab.value}
              className="h-11 border-b-[3px] border-transparent text-[15px] text-quiet hover:text-ink data-[state=active]:border-accent data-[state=active]:font-semibold data-[state=active]:text-ink"
            >
              {tab.label}
            </Radix.Trigger>
          ))}
        </Radix.List>
        <div className="ml-auto">{end}</div>
      </div>
      {children}
    </Radix.Root>
  );
}

/** What a tab shows. */
export function TabPanel({ value, children }: { value: string; children: React.ReactNode }) {
  return (
    <Radix.Content
      value={value}
      className="flex min-h-0 flex-1 flex-col outline-none short:min-h-auto"
      tabIndex={-1}
    >
      {children}
    </Radix.Content>
  );
}
