import convert from "heic-convert";

/** A HEIC picture of a phone as JPEG. */
export default async function work({ body }: { body: Uint8Array }): Promise<Uint8Array> {
  return new Uint8Array(await convert({ buffer: body as never, format: "JPEG", quality: 0.92 }));
}
