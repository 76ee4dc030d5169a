import type { DataStore } from "@tus/server";

/** Where files lie while they arrive, under the ids of their uploads. */
export type UploadPlace = {
  /** For the library that speaks the protocol. */
  datastore(): Promise<DataStore>;
  /** What was told of an upload when it began, as the library writes it in JSON; null when there is none. */
  told(id: string): Promise<string | null>;
  /** How many bytes have arrived; null when there is nothing, or not any more. */
  length(id: string): Promise<number | null>;
  /** Does something with what has arrived, as a file on this disk. */
  onDisk<T>(id: string, work: (file: string) => Promise<T>): Promise<T>;
  /** What `finish` noted. */
  note(id: string): Promise<string | null>;
  /** Notes what an upload has become, and lets go what has arrived. Done twice, it is the same. */
  finish(id: string, note: string): Promise<void>;
  /** Clears away what nobody has touched since. */
  clearBefore(before: Date): Promise<void>;
};
