import type { BroughtLine } from "@/core/imports/brought";

/** A line of an import, as it is looked at before it is brought in. */
export type PreviewLine = BroughtLine & {
  state: "new" | "known" | "wrong";
  resource: string | null;
  out: boolean;
};
