/** Relative luminance of a colour `#rrggbb`: WCAG 2.2, "relative luminance". */
function luminance(colour: string): number {
  const [r, g, b] = [1, 3, 5].map((at) => {
    const c = parseInt(colour.slice(at, at + 2), 16) / 255;
    return c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4;
  });
  return 0.2126 * r! + 0.7152 * g! + 0.0722 * b!;
}

/**
 * Contrast ratio of two colours, 1 to 21: WCAG 2.2, "contrast ratio".
 * @param a a colour as `#rrggbb`
 * @param b the other; the order does not matter
 */
export function contrast(a: string, b: string): number {
  const [dark, light] = [luminance(a), luminance(b)].sort((x, y) => x - y);
  return (light! + 0.05) / (dark! + 0.05);
}
