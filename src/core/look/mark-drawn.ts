/** The mark, drawn by `npm run mark`. */
// prettier-ignore
export const MARK =
  "<svg viewBox='0 0 20 20' preserveAspectRatio='none' aria-hidden='true' focusable='false'><path fill='var(--weft)' d='M0 0h20v20H0z'/><g fill='none' stroke-width='2.8'><g stroke='var(--note)'><path stroke-dasharray='6.6 6.6' d='M3.8 0V20M6.9 -3.3V20M16.2 0V20'/></g><g stroke='var(--sound)'><path stroke-dasharray='6.6 6.6' d='M10 -6.6V20'/></g><g stroke='var(--document)'><path stroke-dasharray='6.6 6.6' d='M13.1 -9.9V20'/></g></g><path fill='none' stroke='var(--ink)' stroke-width='2.3' stroke-dasharray='3.3' d='M1.1 0V20M18.9 0V20'/></svg>";
