/**
 * Text without what XML 1.0 (2.2) has no way to write: most control characters, halves of characters. It is not escaped.
 * @param text anybody's words, or a document of XML
 */
export const forXml = (text: string): string =>
  text.toWellFormed().replace(/[^\t\n\r\u0020-\uD7FF\uE000-\uFFFD\u{10000}-\u{10FFFF}]/gu, "");
