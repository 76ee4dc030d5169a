import { decode, labelToName } from "whatwg-encoding";
import { encodingOf } from "@/core/text/encoding";

/**
 * The text of a page. Node's own TextDecoder is not the standard's: it takes 0x80 to 0x9F of windows-1252 for control
 * characters, and knows neither iso-8859-16 nor x-user-defined.
 * @param body the bytes of a page
 * @param contentType what the answer's head says of them
 */
export function decodePage(body: Buffer, contentType: string | undefined): string {
  return decode(body, labelToName(encodingOf(body, (label) => labelToName(label) !== null, contentType))!);
}
