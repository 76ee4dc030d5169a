import { create } from "qrcode/lib/core/qrcode.js";

/** Around the squares there must be four of nothing (ISO/IEC 18004, 9.1, the quiet zone). */
const QUIET = 4;

/**
 * A QR code as SVG, dark on light whatever the look of the page: readers of codes want it so.
 * @param text what it says; an address with letters outside ASCII is percent-encoded before
 * @param use `wall`: read from afar, where a quarter may be hidden; `paper`: small, where it should be coarse
 */
export function qrSvg(text: string, use: "wall" | "paper"): string {
  const { modules } = create(text, { errorCorrectionLevel: use === "wall" ? "Q" : "M" });
  const size = modules.size + 2 * QUIET;
  let path = "";
  for (let y = 0; y < modules.size; y++)
    for (let x = 0; x < modules.size; x++) {
      if (!modules.get(y, x)) continue;
      let run = 1;
      while (x + run < modules.size && modules.get(y, x + run)) run++;
      path += `M${x + QUIET} ${y + QUIET}h${run}v1h-${run}z`;
      x += run - 1;
    }
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${size} ${size}" shape-rendering="crispEdges"><path fill="#fff" d="M0 0h${size}v${size}H0z"/><path d="${path}"/></svg>`;
}
