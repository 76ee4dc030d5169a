/** Bytes of a file from a place on; fewer where it ends. */
export type ReadAt = (at: number, length: number) => Promise<Uint8Array>;

/** More boxes beside one another no film has. */
const MOST_BOXES = 10_000;

/**
 * How long a film is by its head (ISO/IEC 14496-12, 8.2.2 "Movie Header Box"), for films without sound, whose length no track
 * of sound tells.
 * @param read of the file
 * @param bytes its length
 * @returns seconds; null where it is no such film, or says nothing
 */
export async function filmLength(read: ReadAt, bytes: number): Promise<number | null> {
  const moov = await findBox(read, 0, bytes, "moov");
  const head = moov && (await findBox(read, moov.from, moov.end, "mvhd"));
  if (!head) return null;
  const view = viewOf(await read(head.from, 32));
  if (view.byteLength < 32) return null;
  const isLong = view.getUint8(0) === 1;
  const scale = view.getUint32(isLong ? 20 : 12);
  const length = isLong ? Number(view.getBigUint64(24)) : view.getUint32(16);
  const isSaid = scale > 0 && length > 0 && length !== (isLong ? Number(0xffffffffffffffffn) : 0xffffffff);
  return isSaid ? length / scale : null;
}

/** The first box of a name among those that stand beside one another. @returns where its content is */
async function findBox(read: ReadAt, from: number, end: number, name: string) {
  for (let at = from, i = 0; at + 8 <= end && i < MOST_BOXES; i++) {
    const head = viewOf(await read(at, 16));
    if (head.byteLength < 8) return null;
    const short = head.getUint32(0);
    const isLong = short === 1 && head.byteLength === 16;
    const size = isLong ? Number(head.getBigUint64(8)) : short || end - at;
    const called = String.fromCharCode(...[4, 5, 6, 7].map((i) => head.getUint8(i)));
    if (size < 8 || !/^[\w ]{4}$/.test(called)) return null;
    if (called === name) return { from: at + (isLong ? 16 : 8), end: Math.min(end, at + size) };
    at += size;
  }
  return null;
}

const viewOf = (bytes: Uint8Array) => new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
