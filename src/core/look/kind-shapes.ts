import type { Kind } from "../page/facts";

/**
 * The shape of each kind, as an SVG path in a box of 12 by 12 (even-odd): it is told by its shape as well as by its colour,
 * and is the same everywhere. A sheet with lines, a strip of film, a sheet with a folded corner, hills, a wave, a slip.
 */
export const KIND_SHAPES: Record<Kind, string> = {
  page: "M1 1h10v10H1zM3 3.5h6v1H3zM3 5.75h6v1H3zM3 8h4v1H3z",
  video:
    "M0 1.5h12v9H0zM1 3h1.2v1.2H1zM1 5.4h1.2v1.2H1zM1 7.8h1.2V9H1zM9.8 3H11v1.2H9.8zM9.8 5.4H11v1.2H9.8zM9.8 7.8H11V9H9.8z",
  document: "M1.5 0.5h6L10.5 3.5v8h-9zM7 1.5V4h2.6z",
  picture: "M0 10.5 4 3l2.6 4.6L8.2 5.4 12 10.5z",
  sound:
    "M0 5h1.3v2H0zM2.1 3h1.3v6H2.1zM4.2 4.2h1.3v3.6H4.2zM6.4 1h1.3v10H6.4zM8.5 3.6h1.3v4.8H8.5zM10.7 5H12v2h-1.3z",
  note: "M6 0.5 11.5 6 6 11.5.5 6z",
};
