import type { Meaning } from "./use-marks";

/** What a mark means: the word with its pattern, and the colour with it. */
export const MeaningWord = ({ meaning }: { meaning: Pick<Meaning, "name" | "pattern" | "tint"> }) => (
  <span className="meaning font-semibold" data-pattern={meaning.pattern} data-tint={meaning.tint}>
    {meaning.name}
  </span>
);
