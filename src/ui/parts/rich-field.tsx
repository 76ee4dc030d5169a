"use client";

import { lazy, type ReactNode, Suspense } from "react";
import { asMarked } from "@/core/text/as-marked";
import { useSaved } from "../talk/use-saved";
import type { Save } from "../talk/writing";

/** The editor comes when it is needed; whoever is about to write may ask for it before. */
export const loadRichText = () => import("./rich-text");
const RichText = lazy(() => loadRichText().then(({ RichText }) => ({ default: RichText })));

type Props = {
  label: string;
  /** Sanitised words with marks. */
  value: string;
  /** Words without marks, where there are none with. */
  plain?: string;
  writing: boolean;
  onSave: Save;
  onDone: () => void;
  /** How they look while nobody writes. */
  children: (words: { rich: string; plain: string }) => ReactNode;
};

/** Words with marks, at rest or being written. They stand there also while the editor loads and right after it. */
export function RichField({ label, value, plain = "", writing, onSave, onDone, children }: Props) {
  const [saved, setSaved] = useSaved(value);
  const words = saved === null ? { rich: value, plain } : { rich: saved, plain: "" };
  const rest = children(words);
  if (!writing) return rest;
  const save: Save = async (html, base) => {
    setSaved(html);
    try {
      await onSave(html, base);
    } catch (error) {
      setSaved(null);
      throw error;
    }
  };
  return (
    <Suspense fallback={rest}>
      <RichText label={label} value={words.rich || asMarked(words.plain)} onSave={save} onDone={onDone} />
    </Suspense>
  );
}
