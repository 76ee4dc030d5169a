"use client";

import { X } from "lucide-react";
import { Dialog } from "radix-ui";
import { saidInGroups } from "@/core/share/short-code";
import { IconButton } from "../parts/button";

/** A short code as it is shown. */
export const sayCode = saidInGroups;

/** The code and the QR code over the whole screen, to be read from the last row. */
export function OnTheWall({
  title,
  home,
  code,
  short,
  onClose,
}: {
  title: string;
  home: string;
  code: string;
  short: string;
  onClose: () => void;
}) {
  return (
    <Dialog.Root open onOpenChange={(open) => !open && onClose()}>
      <Dialog.Portal>
        <Dialog.Content
          aria-describedby={undefined}
          onOpenAutoFocus={(event) => {
            event.preventDefault();
            (event.currentTarget as HTMLElement).focus();
          }}
          className="fixed inset-0 z-50 flex flex-col overflow-y-auto bg-[#fff] p-[3vmin] text-[#111] outline-none"
        >
          <div className="flex items-start gap-4">
            <Dialog.Title className="flex-1 font-serif text-[clamp(1.5rem,4vmin,3.5rem)] leading-tight font-semibold">
              {title}
            </Dialog.Title>
            <Dialog.Close asChild>
              <IconButton label="Close" className="text-[#111]! hover:bg-[#eee]!">
                <X size={22} aria-hidden />
              </IconButton>
            </Dialog.Close>
          </div>
          <div className="flex flex-1 flex-wrap items-center justify-center gap-x-[5vw] gap-y-[2vh]">
            {/* eslint-disable-next-line @next/next/no-img-element -- a drawing of our own, at its own size */}
            <img
              src={`/c/${code}/qr/svg?short=${short}`}
              alt="QR code that leads there"
              className="h-[min(64vh,44vw)] w-[min(64vh,44vw)] max-sm:h-[80vw] max-sm:w-[80vw]"
            />
            <div className="min-w-0">
              <p className="text-[clamp(1.25rem,3.2vw,4rem)]">{home.replace(/^https?:\/\//, "")}/go</p>
              <p className="font-mono text-[clamp(2.5rem,7.5vw,11rem)] leading-tight font-bold whitespace-nowrap">
                {sayCode(short)}
              </p>
            </div>
          </div>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
