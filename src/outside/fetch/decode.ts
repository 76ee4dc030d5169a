import sniff from "html-encoding-sniffer";
import { decode } from "whatwg-encoding";

/**
 * The text of a page. Bytes that are valid UTF-8 are UTF-8, whatever the page claims; otherwise the encoding is
 * found as the HTML standard says (byte order mark, transport, `<meta>`), with windows-1252 as the last resort.
 * @param body the bytes of a page
 * @param contentType what the answer's head says of them
 */
export function decodePage(body: Buffer, contentType: string | undefined): string {
  try {
    return new TextDecoder("utf-8", { fatal: true }).decode(body);
  } catch {
    const transport = /charset\s*=\s*"?([\w-]+)/i.exec(contentType ?? "")?.[1];
    return decode(
      body,
      sniff(body, { transportLayerEncodingLabel: transport, defaultEncoding: "windows-1252" }),
    );
  }
}
