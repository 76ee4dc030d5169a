/** Plain words as a paragraph of HTML, their lines kept; nothing for none. */
export function asMarked(plain: string): string {
  const escaped = plain.replace(/[&<>]/g, (sign) => `&#${sign.charCodeAt(0)};`);
  return plain && `<p>${escaped.replace(/\n/g, "<br />")}</p>`;
}
