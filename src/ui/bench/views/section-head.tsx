"use client";

import { MoreHorizontal } from "lucide-react";
import { useState } from "react";
import { sayMinutes } from "@/core/text/minutes";
import { IconButton } from "../../parts/button";
import { Menu, MenuItem, MenuLine } from "../../parts/menu";
import { RichField } from "../../parts/rich-field";
import { Words } from "../../parts/words";
import { saveWords } from "../../talk/save-words";
import { useBench } from "../state/bench-context";
import { InlineTitle } from "../../parts/inline-title";
import { LandingMark } from "../item/item-words";
import type { Section } from "../state/types";
import { ServesWord } from "../head/serves-word";
import { TalkMark } from "../talk/talk-mark";

type Props = {
  section: Section;
  items: number;
  minutes: number;
  landing: boolean;
  focus: boolean;
  /** As the head of a column. */
  narrow?: boolean;
  onMove: (by: 1 | -1) => void;
  onRemove: () => void;
};

/** A section's name with what it sums up to, a hairline to the edge, and what leads into it. */
export function SectionHead({ section, items, minutes, landing, focus, narrow, onMove, onRemove }: Props) {
  const { arranges, openTalk } = useBench();
  const [writing, setWriting] = useState(false);
  const sum = (
    <span className={`text-sm whitespace-nowrap text-quiet ${narrow ? "" : "mt-2"}`}>
      {items} {items === 1 ? "item" : "items"}
      {minutes > 0 && ` · ${sayMinutes(minutes)}`}
    </span>
  );
  return (
    <div data-section={section.id} role="row" className="relative">
      <div role="gridcell" className={narrow ? "pt-2 pb-1.5" : "pt-6 pb-1.5"}>
        {/* What stands beside a name of several lines stands beside its first. */}
        <div className="flex items-start gap-3">
          <InlineTitle
            label="Name of the section"
            value={section.title}
            readOnly={!arranges}
            focus={focus}
            onSave={(text, base) => saveWords("sections.edit", section.id, "title", text, base)}
            className="my-1 text-[17px] font-semibold"
            level={2}
          />
          {!narrow && sum}
          <TalkMark id={section.id} onOpen={() => openTalk?.(section.id)} />
          <span className="relative min-w-0 flex-1 self-stretch">
            {!narrow && (
              <>
                <span className="absolute inset-x-0 top-[18px] h-px bg-line" aria-hidden />
                <ServesWord section={section.id} />
              </>
            )}
          </span>
          {arranges && (
            <Menu
              align="end"
              button={
                <IconButton label={`What to do with the section ${section.title}`} className="shrink-0">
                  <MoreHorizontal size={18} aria-hidden />
                </IconButton>
              }
            >
              <MenuItem onSelect={() => setWriting(true)}>
                {section.intro ? "Change the introduction" : "Write an introduction"}
              </MenuItem>
              <MenuItem onSelect={() => openTalk?.(section.id)}>Comment</MenuItem>
              <MenuItem onSelect={() => onMove(-1)}>Move section up</MenuItem>
              <MenuItem onSelect={() => onMove(1)}>Move section down</MenuItem>
              <MenuLine />
              <MenuItem stop onSelect={onRemove}>
                Delete section
              </MenuItem>
            </Menu>
          )}
        </div>
        {narrow && sum}
        <div className="max-w-prose">
          <RichField
            label={`Introduction of ${section.title}`}
            value={section.intro}
            writing={writing}
            onSave={(html, base) => saveWords("sections.edit", section.id, "intro", html, base)}
            onDone={() => setWriting(false)}
          >
            {(words) => <Words {...words} className="text-[15px] text-quiet" />}
          </RichField>
        </div>
      </div>
      {landing && <LandingMark words={`lands here · ${section.title}`} />}
    </div>
  );
}
