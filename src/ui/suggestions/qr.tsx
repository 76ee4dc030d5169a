import { qrSvg } from "@/core/share/qr";

/** An address as a QR code; whoever cannot read it has the address and the code beside it. */
export const Qr = ({ address, className }: { address: string; className: string }) => (
  <span
    aria-hidden
    className={`block [&>svg]:size-full ${className}`}
    dangerouslySetInnerHTML={{ __html: qrSvg(address, "wall") }}
  />
);
