"use client";

import { sayInside } from "@/core/list/course";
import { AUDIENCES, type Audience, type Reach } from "@/core/publish/model";
import { AUDIENCE_WORDS, AudienceMark } from "../parts/audience";
import { Choices } from "../parts/choices";
import type { Looked, Wish } from "./use-publish";

const count = (n: number, one: string): string => `${n} ${n === 1 ? one : `${one}s`}`;

/** What they will see, in numbers. */
function sayHolds({ items, files }: Looked["holds"]): string {
  return files ? `${count(items, "item")} and ${count(files, "file")}` : count(items, "item");
}

/** What stays inside, in numbers; empty: nothing. */
function sayKept({ kept, notes }: Looked["holds"]): string {
  const said = [
    ...(notes ? [`your notes on ${notes}`] : []),
    ...(kept ? [`${count(kept, "item")} kept from readers`] : []),
  ];
  return said.length
    ? ` ${said.join(" and ").replace(/^y/, "Y")} ${kept === 1 && !notes ? "stays" : "stay"} inside.`
    : "";
}

const meansOf = (audience: Audience, looked: Looked | undefined): string => {
  const what = looked ? sayHolds(looked.holds) : "it";
  const kept = looked ? sayKept(looked.holds) : "";
  return {
    team: "Members of the team see it, signed in.",
    link: `They see ${what}, with no account; search engines are told to pass it by.${kept}`,
    public: `Everybody may find and see ${what}, with no account, search engines too.${kept}`,
  }[audience];
};

/** Who would see the collection, with what stands inside or without, and until when. Nothing of it is so before it is done. */
export function WhoSees({
  wish,
  onWish,
  looked,
  disabled,
}: {
  wish: Wish;
  onWish: (wish: Wish) => void;
  looked: Looked | undefined;
  disabled: boolean;
}) {
  const inside = looked?.inside ?? [];
  return (
    <>
      <Choices
        label="Who can see it"
        value={wish.audience}
        disabled={disabled}
        onChange={(audience) => onWish({ ...wish, audience })}
        options={AUDIENCES.map((audience) => ({
          value: audience,
          words: (
            <>
              <AudienceMark audience={audience} /> {AUDIENCE_WORDS[audience]}
            </>
          ),
          means: wish.audience === audience ? meansOf(audience, looked) : "",
        }))}
      />
      {inside.length > 0 && wish.audience !== "team" && (
        <Choices<Reach>
          label="How far they see"
          value={wish.reach}
          disabled={disabled}
          onChange={(reach) => onWish({ ...wish, reach })}
          options={[
            {
              value: "all",
              words: "With everything inside",
              means: `${sayInside(inside.map((one) => one.title)).join(", ")}.${sayLeftOut(inside)}`,
            },
            { value: "level", words: "This level only", means: "" },
          ]}
        />
      )}
      {wish.audience !== "team" && (
        <label className="flex flex-wrap items-center gap-x-3 gap-y-1 text-[15px]">
          <span className="font-semibold">Until</span>
          <input
            type="date"
            value={wish.until}
            disabled={disabled}
            onChange={(event) => onWish({ ...wish, until: event.target.value })}
            className="h-9 w-40 rounded-md border border-edge bg-sheet px-2.5"
          />
          <span className="text-quiet">{wish.until ? "then it closes by itself" : "you stop it"}</span>
        </label>
      )}
    </>
  );
}

const sayLeftOut = (inside: Looked["inside"]): string => {
  const out = inside.filter((one) => one.leftOut).length;
  return out ? ` ${out} of them ${out === 1 ? "is" : "are"} left out.` : "";
};
