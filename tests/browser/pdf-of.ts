/** A stream of a PDF. */
export const pdfStream = (content: string) => `<</Length ${content.length}>>stream\n${content}\nendstream`;

/** A PDF of these objects, numbered from 1 (ISO 32000-1, 7.5); the first is its catalog. */
export function pdfOf(objects: readonly string[]): Buffer {
  let file = "%PDF-1.7\n";
  const places = objects.map((object, i) => {
    const at = file.length;
    file += `${i + 1} 0 obj${object}\nendobj\n`;
    return `${String(at).padStart(10, "0")} 00000 n \n`;
  });
  const end = `trailer<</Size ${objects.length + 1}/Root 1 0 R>>\nstartxref\n${file.length}\n%%EOF\n`;
  return Buffer.from(
    `${file}xref\n0 ${objects.length + 1}\n0000000000 65535 f \n${places.join("")}${end}`,
    "latin1",
  );
}
