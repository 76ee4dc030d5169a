export type Audience = "team" | "link" | "public";

/** Who can see a collection, in words. */
export const AUDIENCE_WORDS: Record<Audience, string> = {
  team: "Team only",
  link: "Whoever has the address",
  public: "Public",
};

const WIDTHS: Record<Audience, number> = { team: 5, link: 10, public: 18 };

/** A strip of cloth that is wider the more people see it: our own sign, beside its words. */
export function AudienceMark({ audience }: { audience: Audience }) {
  const width = WIDTHS[audience];
  return (
    <svg viewBox="0 0 18 12" width="18" height="12" aria-hidden className="shrink-0">
      <path d="M.75 0v12M17.25 0v12" stroke="var(--line)" strokeWidth="1.5" strokeDasharray="2" />
      <path
        d={Array.from(
          { length: Math.floor(width / 2.5) },
          (_, i) => `M${1.25 + i * 2.5} ${-(i % 2) * 2}V12`,
        ).join("")}
        stroke="var(--accent)"
        strokeWidth="2.2"
        strokeDasharray="2"
      />
      <path d={`M${width - 0.75} 0v12`} stroke="var(--ink)" strokeWidth="1.5" />
    </svg>
  );
}
