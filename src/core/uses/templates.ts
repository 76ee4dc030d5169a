import type { Use } from "../publish/model";

type TemplateSection = { title: string; minutes?: number };

/** The sections each use begins with; they are a collection's own from then on, to be renamed, moved and deleted. */
const TEMPLATES: Record<Use, readonly TemplateSection[]> = {
  newsletter: [{ title: "New this time" }, { title: "Worth another look" }, { title: "Dates and notices" }],
  lesson: [
    { title: "To begin with", minutes: 10 },
    { title: "Finding out", minutes: 20 },
    { title: "Putting it together", minutes: 10 },
    { title: "To end with", minutes: 5 },
  ],
  portfolio: [{ title: "What I work on" }, { title: "Single things I keep coming back to" }],
};

/** The sections of a template a collection has not got yet, by their titles. */
export function missingSections(use: Use, there: readonly string[]): TemplateSection[] {
  const titles = new Set(there.map((title) => title.trim().toLowerCase()));
  return TEMPLATES[use].filter((one) => !titles.has(one.title.toLowerCase()));
}
