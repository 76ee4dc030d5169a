/** Saves what the server answered as a file, the way a download does. */
export function saveFile({
  name,
  type,
  content,
}: {
  name: string;
  type?: string;
  content: string | Blob;
}): void {
  const link = document.createElement("a");
  link.href = URL.createObjectURL(content instanceof Blob ? content : new Blob([content], { type }));
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(link.href), 10_000);
}

/** The same of bytes that were answered in Base64. */
export const saveBytes = ({ name, type, base64 }: { name: string; type: string; base64: string }): void =>
  saveFile({
    name,
    content: new Blob([Uint8Array.from(atob(base64), (sign) => sign.charCodeAt(0))], { type }),
  });
