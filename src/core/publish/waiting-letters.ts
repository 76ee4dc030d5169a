/**
 * A face that stands in for one of ours until that has come: a letter type most devices have, made as wide and as high, so
 * that nothing moves when ours comes (CSS Fonts 5, size-adjust; CSS Fonts 4, ascent-override and descent-override).
 *
 * Those of Georgia, Noto Serif, Arial and its like are computed from their widths of English text and their heights as
 * @capsizecss/metrics 4.3.0 has them, those of DejaVu, which it has not, from widths measured in Chromium.
 */
type Waiting = {
  name: string;
  /** What it is called on devices. */
  local: readonly string[];
  /** From which weight to which. */
  weight: string;
  /** In percent: its size, and how far it reaches above and below the line. */
  size: number;
  ascent: number;
  descent: number;
};

const FACES: Record<"serif" | "sans", readonly Waiting[]> = {
  serif: [
    { name: "L1", local: ["Georgia"], weight: "400 700", size: 107.67, ascent: 109.31, descent: 28.61 },
    {
      name: "L2",
      local: ["Noto Serif", "NotoSerif"],
      weight: "400 700",
      size: 99.79,
      ascent: 117.95,
      descent: 30.86,
    },
    { name: "L3", local: ["DejaVu Serif"], weight: "400", size: 91.34, ascent: 128.86, descent: 33.72 },
    {
      name: "L3",
      local: ["DejaVu Serif Bold"],
      weight: "600 700",
      size: 87.34,
      ascent: 134.76,
      descent: 35.26,
    },
  ],
  sans: [
    {
      name: "A1",
      local: ["Segoe UI", "Roboto", "Helvetica Neue", "Arial"],
      weight: "400 700",
      size: 99.6,
      ascent: 98.8,
      descent: 31.73,
    },
    { name: "A2", local: ["DejaVu Sans"], weight: "400", size: 86.93, ascent: 113.2, descent: 36.35 },
    { name: "A2", local: ["DejaVu Sans Bold"], weight: "600 700", size: 82.07, ascent: 119.9, descent: 38.5 },
  ],
};

const names = (faces: readonly Waiting[]) => [...new Set(faces.map((one) => one.name))];

/** The names of the faces that wait for ours, the likeliest first. */
export const WAITING = { serif: names(FACES.serif), sans: names(FACES.sans) };

/** These faces, as a style sheet has them. */
export const waitingFaces = (): string =>
  [...FACES.serif, ...FACES.sans]
    .map(
      ({ name, local, weight, size, ascent, descent }) =>
        `@font-face{font-family:${name};src:${local.map((one) => `local("${one}")`).join(",")};font-weight:${weight};size-adjust:${size}%;ascent-override:${ascent}%;descent-override:${descent}%;line-gap-override:0%}`,
    )
    .join("");
