import { qrSvg } from "@/core/share/qr";

/**
 * The QR code of each of these, for paper: a millisecond each, and a sheet may have a thousand. An address that is longer
 * than a code can hold (2,331 bytes at level M: ISO/IEC 18004, table 7) gets none.
 */
export default function work(texts: readonly string[]): string[] {
  return texts.map((text) => {
    try {
      return qrSvg(text, "paper");
    } catch {
      return "";
    }
  });
}
