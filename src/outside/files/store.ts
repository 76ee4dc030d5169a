import type { Readable } from "node:stream";

/** What shall be stored: bytes at hand, or a file on this disk. */
export type Content = { bytes: Uint8Array } | { file: string; length: number };

/** First and last byte, both included. */
export type Range = { start: number; end: number };

/** What lies in the store under a name: a file, or the part of one whose writer ended before it was whole. */
export type Lying = { folder: string; name: string; hash: string; whole: boolean; bytes: number };

/** Where files are kept under the hash of their content (SHA-256 in hexadecimal): a disk, or an S3. */
export type FileStore = {
  /**
   * Stores something under its hash; what is there already counts as written now, so that it is not cleared before
   * somebody holds it. A half-written file is never seen.
   */
  put(hash: string, content: Content): Promise<void>;
  /** A file as a stream with the length of the whole; null when there is none. */
  open(hash: string, range?: Range): Promise<{ stream: Readable; bytes: number } | null>;
  read(hash: string): Promise<Buffer | null>;
  /** Does something with a file that lies on this disk; with a copy, when it lies elsewhere. Null when there is none. */
  onDisk<T>(hash: string, work: (file: string) => Promise<T>): Promise<T | null>;
  /** Whether something can be written. */
  isReady(): Promise<boolean>;
  /** What was last written, or wanted, before a time; a few at once. */
  lyingBefore(before: Date): AsyncGenerator<Lying[]>;
  /** Takes something away for good. */
  clear(lying: Lying): Promise<void>;
};

export const isHash = (hash: string): boolean => /^[0-9a-f]{64}$/.test(hash);
