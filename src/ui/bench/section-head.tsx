"use client";

import { MoreHorizontal } from "lucide-react";
import { sayMinutes } from "@/core/text/minutes";
import { IconButton } from "../parts/button";
import { Menu, MenuItem, MenuLine } from "../parts/menu";
import { call } from "../talk/call";
import { useBench } from "./bench-context";
import { InlineTitle } from "./inline-title";
import { LandingMark } from "./item-row";
import type { Section } from "./use-items";

type Props = {
  section: Section;
  items: number;
  minutes: number;
  landing: boolean;
  focus: boolean;
  onMove: (by: 1 | -1) => void;
  onRemove: () => void;
};

/** A section's name with what it sums up to, and a hairline to the edge. */
export function SectionHead({ section, items, minutes, landing, focus, onMove, onRemove }: Props) {
  const { arranges } = useBench();
  return (
    <div data-section={section.id} className="relative flex items-center gap-3 pt-6 pb-1.5">
      <InlineTitle
        label="Name of the section"
        value={section.title}
        readOnly={!arranges}
        focus={focus}
        onSave={(title) => call("sections.edit", { section: section.id, title })}
        className="text-[17px] font-semibold"
        level={2}
      />
      <span className="text-sm whitespace-nowrap text-quiet">
        {items} {items === 1 ? "item" : "items"}
        {minutes > 0 && ` · ${sayMinutes(minutes)}`}
      </span>
      <span className="h-px flex-1 bg-line" aria-hidden />
      {arranges && (
        <Menu
          align="end"
          button={
            <IconButton label={`What to do with the section ${section.title}`}>
              <MoreHorizontal size={18} aria-hidden />
            </IconButton>
          }
        >
          <MenuItem onSelect={() => onMove(-1)}>Move section up</MenuItem>
          <MenuItem onSelect={() => onMove(1)}>Move section down</MenuItem>
          <MenuLine />
          <MenuItem stop onSelect={onRemove}>
            Delete section
          </MenuItem>
        </Menu>
      )}
      {landing && <LandingMark words={`lands here · ${section.title}`} />}
    </div>
  );
}
