/**
 * The colours of Hobbin, from natural dyes on undyed cloth, named by use. The application and the reader's page
 * both take them from here.
 */
export const LIGHT = {
  ground: "#e9ece7",
  sheet: "#fbfcfa",
  sunk: "#f1f3ef",
  ink: "#16211f",
  quiet: "#4a5955",
  /** Ornament only; the border of a field is `edge`. */
  line: "#cfd6d0",
  edge: "#76857f",
  accent: "#0b5563",
  accentWash: "#d9e9ec",
  onAccent: "#ffffff",
  warn: "#7a5600",
  warnWash: "#f6e7b8",
  stop: "#962b27",
  page: "#2d5a8c",
  video: "#98302b",
  document: "#6a5a14",
  picture: "#3c6a37",
  sound: "#6b3a77",
  note: "#2f6360",
  /** Undyed thread, for ornament. */
  weft: "#f4f1e6",
} as const;

export type TokenName = keyof typeof LIGHT;

export const DARK: Record<TokenName, string> = {
  ground: "#101715",
  sheet: "#18211f",
  sunk: "#131b19",
  ink: "#e8ede9",
  quiet: "#a9b8b2",
  line: "#2f3b38",
  edge: "#71827b",
  accent: "#6fc3d3",
  accentWash: "#143840",
  onAccent: "#0b1b1f",
  warn: "#e3b64a",
  warnWash: "#3a2e0c",
  stop: "#ef8d84",
  page: "#8fb8e6",
  video: "#ee938c",
  document: "#d8c468",
  picture: "#94c98c",
  sound: "#cfa0db",
  note: "#84c9c2",
  weft: "#26312d",
};

const KINDS: TokenName[] = ["page", "video", "document", "picture", "sound", "note"];
const GROUNDS: TokenName[] = ["ground", "sheet", "sunk"];

/** Every pair of text and ground that is used, for WCAG 2.2 criterion 1.4.3 (4.5:1). */
export const TEXT_PAIRS: [text: TokenName, ground: TokenName][] = [
  ...GROUNDS.flatMap((ground) =>
    (["ink", "quiet", "accent", "warn", "stop", ...KINDS] as TokenName[]).map(
      (text): [TokenName, TokenName] => [text, ground],
    ),
  ),
  ["ink", "accentWash"],
  ["quiet", "accentWash"],
  ["accent", "accentWash"],
  ["ink", "warnWash"],
  ["warn", "warnWash"],
  ["onAccent", "accent"],
];

/** Borders and marks that carry meaning, for WCAG 2.2 criterion 1.4.11 (3:1). */
export const MARK_PAIRS: [mark: TokenName, ground: TokenName][] = GROUNDS.flatMap((ground) =>
  (["edge", "accent"] as TokenName[]).map((mark): [TokenName, TokenName] => [mark, ground]),
);

const declare = (tokens: Record<string, string>) =>
  Object.entries(tokens)
    .map(([name, value]) => `--${name.replace(/[A-Z]/g, (c) => `-${c.toLowerCase()}`)}:${value}`)
    .join(";");

/** The tokens as custom properties. `data-look` on the root element overrides what the system asks for. */
export function tokenStyles(): string {
  const dark = declare(DARK);
  return (
    `:root{color-scheme:light;${declare(LIGHT)}}` +
    `@media (prefers-color-scheme:dark){:root:not([data-look=light]){color-scheme:dark;${dark}}}` +
    `:root[data-look=dark]{color-scheme:dark;${dark}}`
  );
}
