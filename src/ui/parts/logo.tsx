/** Hobbin's mark: three warps, two wefts. */
export function Logo() {
  return (
    <svg width="24" height="22" viewBox="0 0 24 22" aria-hidden>
      <path fill="var(--accent)" d="M3 0h5v6H3zm0 11h5v11H3z" />
      <path fill="var(--video)" d="M10 0h5v14h-5zm0 18h5v4h-5z" />
      <path fill="var(--document)" d="M17 0h5v5h-5zm0 10h5v12h-5z" />
      <path fill="var(--ink)" d="M0 6h9v4H0zm15 0h9v4h-9zM8 14h9v4H8z" />
    </svg>
  );
}
