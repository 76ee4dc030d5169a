"use client";

import { useQuery } from "@tanstack/react-query";
import dynamic from "next/dynamic";
import { useState } from "react";
import { type StyleId, STYLES } from "@/core/cite/styles";
import { Button } from "../parts/button";
import { Choice } from "../parts/field";
import { ask } from "../talk/call";

const MoreStyles = dynamic(() => import("./more-styles").then((m) => m.MoreStyles), { ssr: false });

/** The choice of a citation style: the team's own, those that come with Hobbin, and behind a button all there are. */
export function StyleChoice({
  team,
  label,
  none,
  value,
  disabled,
  className,
  onChange,
}: {
  team: string;
  label: string;
  /** What stands for no style; left out: there is always one. */
  none?: string;
  value: StyleId;
  disabled?: boolean;
  className?: string;
  onChange: (style: StyleId) => void;
}) {
  const [more, setMore] = useState(false);
  const { data } = useQuery({
    queryKey: ["styles", team, value],
    queryFn: () => ask("references.styles", { team, ...(value && { named: value }) }),
    placeholderData: (before) => before,
    staleTime: 60_000,
  });
  const listed = new Set([...STYLES.map(([id]) => id as string), ...(data?.own ?? []).map((one) => one.id)]);
  const named = data?.named?.id === value ? data.named.name : "…";
  return (
    <div className={`flex items-end gap-2 ${className ?? ""}`}>
      <Choice
        label={label}
        className="min-w-0 flex-1"
        disabled={disabled}
        value={value}
        options={[
          ...(none === undefined ? [] : [["", none] as const]),
          ...(value && !listed.has(value) ? [[value, named] as const] : []),
          ...(data?.own ?? []).map((one) => [one.id, one.name] as const),
          ...STYLES,
        ]}
        onChange={(event) => onChange(event.target.value)}
      />
      {!disabled && <Button onClick={() => setMore(true)}>More styles</Button>}
      {more && <MoreStyles team={team} onClose={() => setMore(false)} onPick={onChange} />}
    </div>
  );
}
