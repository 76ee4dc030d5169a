/** A number of bytes for people, by powers of ten (IEC 80000-13): “12 kB”, “3.4 MB”. */
export const saySize = (bytes: number): string =>
  bytes < 1_000_000 ? `${Math.max(1, Math.round(bytes / 1_000))} kB` : `${(bytes / 1_000_000).toFixed(1)} MB`;
