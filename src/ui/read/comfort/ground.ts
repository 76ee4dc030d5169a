import type { CSSProperties } from "react";
import { DARK, LIGHT } from "@/core/look/colours";
import type { Comfort } from "@/core/read/comfort";

const asStyle = (colours: Record<string, string>): CSSProperties =>
  Object.fromEntries(
    Object.entries(colours).map(([name, value]) => [
      `--${name.replace(/[A-Z]/g, (letter) => `-${letter.toLowerCase()}`)}`,
      value,
    ]),
  );

/** Undyed wool: a little warmer than the sheet, and every text is as easily read on it. */
const WARM = { ...LIGHT, sheet: "#f7f0df", sunk: "#efe6d0", ground: "#efe6d0" };

/** The colours of the room the text is read in, where they are other ones than everywhere. */
export const groundOf = (ground: Comfort["ground"]): CSSProperties | undefined =>
  ground === "dark"
    ? { ...asStyle(DARK), colorScheme: "dark" }
    : ground === "warm"
      ? { ...asStyle(WARM), colorScheme: "light" }
      : undefined;
