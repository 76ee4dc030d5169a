/** The most bytes a request brings, but for files, which come in parts. */
export const MOST_BYTES = 9_000_000;
/** More than a name, an address and a password are never sent to sign in or up. */
export const MOST_OF_AUTH = 16_000;
