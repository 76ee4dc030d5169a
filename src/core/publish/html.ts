/** Markup that has been made by `html` and needs no escaping again. */
export class Markup {
  constructor(readonly text: string) {}
  toString(): string {
    return this.text;
  }
}

type Value = Markup | string | number | null | undefined | false | Value[];

/**
 * A template of HTML that escapes by default: text put into it stays text, in content and in quoted attributes.
 * Lists are joined; null, undefined and false give nothing; only what another `html` made is taken as markup.
 *
 * @example html`<a href="${address}">${title}</a>`
 */
export function html(parts: TemplateStringsArray, ...values: Value[]): Markup {
  let text = parts[0]!;
  values.forEach((value, i) => (text += put(value) + parts[i + 1]));
  return new Markup(text);
}

function put(value: Value): string {
  if (value instanceof Markup) return value.text;
  if (Array.isArray(value)) return value.map(put).join("");
  return value === null || value === undefined || value === false ? "" : escape(String(value));
}

/**
 * Text made safe in HTML content and in double- or single-quoted attributes.
 * @param text plain text
 */
export function escape(text: string): string {
  return text.replace(
    /[&<>"']/g,
    (c) => ({ "&": "&amp;", "<": "&lt;", ">": "&gt;", '"': "&quot;", "'": "&#39;" })[c]!,
  );
}
