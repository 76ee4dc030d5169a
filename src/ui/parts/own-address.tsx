"use client";

import { copyText } from "../talk/copy-text";
import { Button } from "./button";

/** The address at which something of one's own is read, to go there or to take it along. */
export const OwnAddress = ({ address }: { address: string }) => (
  <p className="flex flex-wrap items-center gap-3 text-[15px]">
    <a href={address} className="break-all text-accent underline">
      {address}
    </a>
    <Button small onClick={() => void copyText(address, "Copied.")}>
      Copy the address
    </Button>
  </p>
);
