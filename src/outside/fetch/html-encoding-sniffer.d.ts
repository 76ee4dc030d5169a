declare module "html-encoding-sniffer" {
  /** The encoding of an HTML document's bytes, by the HTML standard's sniffing algorithm. */
  export default function sniff(
    bytes: Uint8Array,
    options?: { transportLayerEncodingLabel?: string; defaultEncoding?: string },
  ): string;
}
