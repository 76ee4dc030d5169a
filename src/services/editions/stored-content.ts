import { type EditionContent, readContent } from "@/core/editions/content";
import { readStored } from "@/outside/files";

/** Contents that were asked for last; they never change. */
const read = new Map<string, Promise<EditionContent>>();
const MOST = 10;

/**
 * What stands in an edition.
 * @param digest of its content
 * @throws when the file store has lost it
 */
export function contentOf(digest: string): Promise<EditionContent> {
  let work = read.get(digest);
  read.delete(digest);
  work ??= readStored(digest).then((bytes) => {
    if (!bytes) throw new Error(`the content of an edition is not in the file store: ${digest}`);
    return readContent(bytes);
  });
  if (read.size >= MOST) read.delete(read.keys().next().value!);
  read.set(digest, work);
  work.catch(() => read.delete(digest));
  return work;
}
