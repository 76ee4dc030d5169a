import { type ReadMessage, readMessage } from "../read-message";

/** Reads a message; without its attachments where they are not wanted, because they are copied on the way back. */
export default async function work({
  raw,
  attachments,
}: {
  raw: Uint8Array;
  attachments: boolean;
}): Promise<ReadMessage> {
  const read = await readMessage(Buffer.from(raw));
  return attachments ? read : { ...read, attachments: [] };
}
